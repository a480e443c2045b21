package orbispace.core.prove.stem;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Placement;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.material.kit.Kit;
import orbispace.core.material.kit.KitStem;
import orbispace.core.prove.Brings;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/**
 * One finding for a kit: whose strokes were found, and which stems do not lie in line, all in one
 * remedy. How far the microphones stood apart is no fault: it is said and left alone. What the sums
 * of late stems ripple by in the mix decides how much it matters: under 1 dB it is worth knowing,
 * to 3 dB worth weighing; so does what stems that are upside down take from each other's low notes.
 */
final class KitFindings {
    private static final double MATTERS_DB = 1;
    private static final double HURTS_DB = 3;

    /** What cancels altogether has no end. */
    private static final double MOST = 0.97;

    private KitFindings() {}

    static Optional<Finding> of(Design design, KitFound found) {
        Kit kit = found.kit();
        List<String> off = new ArrayList<>();
        List<String> away = new ArrayList<>();
        List<Source> moved = new ArrayList<>(design.sources());
        int reference = -1;
        for (int s : kit.sharing()) {
            Kit.Line line = kit.lines().get(s);
            Optional<Source> source = design.findSource(found.ids().get(s));
            if (source.isEmpty()) {
                continue;
            }
            reference = line.known() && line.samples() == 0 && reference < 0 ? s : reference;
            if (line.isOff()) {
                off.add(words(design, source.get(), line));
                Placement placement = source.get().placement().shifted(-line.late());
                boolean turned = line.known() && line.inverted();
                int at = design.sources().indexOf(source.get());
                moved.set(at, source.get().withPlacement(turned ? placement.turned() : placement));
            } else if (Math.abs(line.samples()) > Kit.IN_LINE_SAMPLES) {
                away.add(later(design, source.get(), line.samples()));
            }
        }
        if (reference < 0) {
            reference = kit.sharing().getFirst();
        }
        List<Remedy> remedies =
                off.isEmpty()
                        ? List.of()
                        : List.of(
                                new Remedy(
                                        "line up the kit",
                                        new SourcesEdit(moved, "line-up of the kit")));
        List<Double> faders =
                found.ids().stream()
                        .map(id -> design.findSource(id).map(Source::gainDb).orElse(0.0))
                        .toList();
        Brings ripple = Brings.ripple(kit.combed(faders));
        double lossDb = -Decibels.ofAmplitude(1 - Math.min(MOST, kit.cancelled(faders)));
        return Optional.of(
                new Finding(
                                "kit",
                                severity(ripple.amount(), lossDb),
                                found.ids().get(reference),
                                off.isEmpty() ? "kit" : "kit: " + off.size() + " off",
                                evidence(kit, ripple.amount(), lossDb, off, away),
                                "Stems of one kit hear each other: what lies late combs their sum,"
                                        + " and every space that they share repeats it.",
                                remedies)
                        .bringing(
                                lossDb > ripple.amount()
                                        ? new Brings(lossDb, "dB more of low notes", 1)
                                        : ripple));
    }

    private static String words(Design design, Source source, Kit.Line line) {
        String turned = line.known() && line.inverted() ? "upside down" : "";
        if (line.late() == 0) {
            return source.name() + " " + turned;
        }
        return later(design, source, line.late()) + (turned.isEmpty() ? "" : ", " + turned);
    }

    private static String later(Design design, Source source, int samples) {
        double millis = 1000 * samples / design.song().sampleRateHz();
        return Wording.text("%s %+d samples (%+.2f ms)", source.name(), samples, millis);
    }

    private static Severity severity(double rippleDb, double lossDb) {
        if (rippleDb > HURTS_DB || lossDb > HURTS_DB) {
            return Severity.ACT;
        }
        return Math.max(rippleDb, lossDb) < MATTERS_DB ? Severity.KNOW : Severity.WEIGH;
    }

    private static String evidence(
            Kit kit, double rippleDb, double lossDb, List<String> off, List<String> away) {
        int own = 0;
        int ghosts = 0;
        for (int s : kit.sharing()) {
            own += kit.stems().get(s).own().size();
            ghosts += (int) kit.stems().get(s).own().stream().filter(KitStem.Stroke::ghost).count();
        }
        StringBuilder text =
                new StringBuilder(
                        Wording.text(
                                "%d stems hear each other: %d own strokes, %d of them ghosts",
                                kit.sharing().size(), own, ghosts));
        kit.hitClockSeconds().ifPresent(s -> text.append(Wording.text(", one each %.3f s", s)));
        if (off.isEmpty()) {
            text.append(". They lie in line, as far as their distances do not hide it.");
        } else {
            text.append(". Not in line: ").append(String.join("; ", off)).append('.');
        }
        if (rippleDb > 0) {
            text.append(Wording.text(" Their sums ripple by %.1f dB at most.", rippleDb));
        }
        if (lossDb > 0) {
            text.append(Wording.text(" They take %.1f dB from low notes at most.", lossDb));
        }
        if (!away.isEmpty()) {
            text.append(" Natural distances, left alone: ")
                    .append(String.join("; ", away))
                    .append('.');
        }
        return text.toString();
    }
}
