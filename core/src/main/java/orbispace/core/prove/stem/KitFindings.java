package orbispace.core.prove.stem;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
 * remedy. How far the microphones stood apart is no fault and is left alone. What the sums of late
 * stems ripple by decides how much it matters: under 1 dB it is worth knowing, to 3 dB worth
 * weighing.
 */
final class KitFindings {
    private static final double MATTERS_DB = 1;
    private static final double HURTS_DB = 3;

    private KitFindings() {}

    static Optional<Finding> of(Design design, KitFound found) {
        Kit kit = found.kit();
        List<String> late = new ArrayList<>();
        List<Source> moved = new ArrayList<>(design.sources());
        int reference = -1;
        for (int s : kit.sharing()) {
            Kit.Line line = kit.lines().get(s);
            Optional<Source> source = design.findSource(found.ids().get(s));
            if (source.isEmpty() || !line.known()) {
                continue;
            }
            reference = line.samples() == 0 && reference < 0 ? s : reference;
            if (Math.abs(line.samples()) > Kit.IN_LINE_SAMPLES || line.inverted()) {
                late.add(words(design, source.get(), line));
                Placement placement = source.get().placement().shifted(-line.samples());
                int at = design.sources().indexOf(source.get());
                moved.set(
                        at,
                        source.get()
                                .withPlacement(line.inverted() ? placement.turned() : placement));
            }
        }
        if (reference < 0) {
            reference = kit.sharing().getFirst();
        }
        List<Remedy> remedies =
                late.isEmpty()
                        ? List.of()
                        : List.of(
                                new Remedy(
                                        "line up the kit",
                                        new SourcesEdit(moved, "line-up of the kit")));
        return Optional.of(
                new Finding(
                                "kit",
                                severity(kit, late.isEmpty()),
                                found.ids().get(reference),
                                late.isEmpty() ? "kit" : "kit: " + late.size() + " off",
                                evidence(kit, late),
                                "Stems of one kit hear each other: what lies late combs their sum,"
                                        + " and every space that they share repeats it.",
                                remedies)
                        .bringing(Brings.lessRipple(late.isEmpty() ? 0 : kit.rippleDb())));
    }

    private static String words(Design design, Source source, Kit.Line line) {
        double millis = 1000 * line.samples() / design.song().sampleRateHz();
        String later =
                line.samples() == 0
                        ? ""
                        : Wording.text("%+d samples (%+.2f ms)", line.samples(), millis);
        String turned = line.inverted() ? "upside down" : "";
        String both = later.isEmpty() || turned.isEmpty() ? later + turned : later + ", " + turned;
        return source.name() + " " + both;
    }

    private static Severity severity(Kit kit, boolean inLine) {
        boolean turned =
                kit.sharing().stream()
                        .map(kit.lines()::get)
                        .anyMatch(l -> l.known() && l.inverted());
        if (inLine || (kit.rippleDb() < MATTERS_DB && !turned)) {
            return Severity.KNOW;
        }
        return kit.rippleDb() > HURTS_DB || turned ? Severity.ACT : Severity.WEIGH;
    }

    private static String evidence(Kit kit, List<String> late) {
        int own = 0;
        int ghosts = 0;
        for (int s : kit.sharing()) {
            own += kit.stems().get(s).own().size();
            ghosts += (int) kit.stems().get(s).own().stream().filter(KitStem.Stroke::ghost).count();
        }
        String clock =
                kit.hitClockSeconds().isEmpty()
                        ? ""
                        : Wording.text(", one each %.3f s", kit.hitClockSeconds().getAsDouble());
        String lines =
                late.isEmpty()
                        ? " They lie in line, as far as their distances do not hide it."
                        : " Not in line: "
                                + String.join("; ", late)
                                + Wording.text(
                                        ". Their sums ripple by %.1f dB at most.", kit.rippleDb());
        return Wording.text(
                        "%d stems hear each other: %d own strokes, %d of them ghosts",
                        kit.sharing().size(), own, ghosts)
                + clock
                + "."
                + lines;
    }
}
