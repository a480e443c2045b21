package orbispace.core.prove.stem;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Polarity;
import orbispace.core.design.Design;
import orbispace.core.design.Placement;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.design.StemKind;
import orbispace.core.material.LineUp;
import orbispace.core.prove.Brings;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/**
 * What it means that two stems share sound. Of two copies the later is moved; where one only bleeds
 * into the other it is the one that is heard twice that is moved, towards its bleed.
 */
public final class PairFindings {
    private static final double COPY_SHARE = 0.25;

    /** No microphone of a take hears another's instrument so late; 34 m. */
    private static final double FARTHEST_SECONDS = 0.1;

    private PairFindings() {}

    public static Optional<Finding> of(Design design, SharedSound pair) {
        Optional<Source> first = design.findSource(pair.first());
        Optional<Source> second = design.findSource(pair.second());
        if (first.isEmpty() || second.isEmpty()) {
            return Optional.empty();
        }
        LineUp l = pair.lineUp();
        boolean secondLater = l.delaySamples() >= 0;
        Source earlier = secondLater ? first.get() : second.get();
        Source later = secondLater ? second.get() : first.get();
        boolean copy = l.sharedShare() >= COPY_SHARE;
        int frames = Math.abs(l.delaySamples());
        Source moved = copy ? later : earlier;
        Source still = copy ? earlier : later;
        List<Remedy> remedies = remedies(design, moved, copy ? -frames : frames, l.inverted());
        if (copy && later.kind() == StemKind.EFFECT) {
            return Optional.of(printed(design, earlier, later, frames));
        }
        boolean grouped = !moved.group().isEmpty() && moved.group().equals(still.group());
        if (copy && !grouped) {
            remedies.add(new Remedy("group with " + still.name(), grouped(design, still, moved)));
        }
        boolean far = frames > FARTHEST_SECONDS * design.song().sampleRateHz();
        boolean inLine = frames == 0 && !l.inverted();
        if ((inLine && (grouped || !copy)) || (far && !copy)) {
            return Optional.empty();
        }
        return Optional.of(
                new Finding(
                                "unaligned",
                                severity(frames, l),
                                moved.id(),
                                flag(frames, copy, l.inverted()),
                                evidence(design, earlier, later, frames, l, copy),
                                "The two add up to a comb: some tones double, others vanish, and"
                                        + " every space they share repeats it.",
                                remedies)
                        .bringing(Brings.ripple(inLine ? 0 : Math.sqrt(l.sharedShare()))));
    }

    /** A stem that was printed as a delayed copy of another: an echo that is there already. */
    private static Finding printed(Design design, Source dry, Source echo, int frames) {
        double millis = 1000 * frames / design.song().sampleRateHz();
        return new Finding(
                "printed-echo",
                Severity.KNOW,
                echo.id(),
                Wording.text("echo of %.0f ms", millis),
                Wording.text(
                        "%s holds %s %.2f ms later: an echo that is printed already.",
                        echo.name(), dry.name(), millis),
                StemFindings.ECHO_WHY,
                List.of());
    }

    private static Severity severity(int frames, LineUp l) {
        if (frames == 0 && !l.inverted()) {
            return Severity.KNOW;
        }
        return l.polarity() == Polarity.NOT_SURE ? Severity.WEIGH : Severity.ACT;
    }

    private static List<Remedy> remedies(
            Design design, Source moved, int frames, boolean inverted) {
        List<Remedy> remedies = new ArrayList<>();
        Placement shifted = moved.placement().shifted(frames);
        String shift = Wording.text("shift by %+d samples", frames);
        if (frames != 0 && inverted) {
            remedies.add(
                    new Remedy(
                            shift + " and invert",
                            SourcesEdit.of(
                                    design, moved.withPlacement(shifted.turned()), "line-up")));
        }
        if (frames != 0) {
            remedies.add(
                    new Remedy(
                            shift,
                            SourcesEdit.of(design, moved.withPlacement(shifted), "line-up")));
        }
        if (inverted) {
            remedies.add(
                    new Remedy(
                            "invert",
                            SourcesEdit.of(
                                    design,
                                    moved.withPlacement(moved.placement().turned()),
                                    "polarity")));
        }
        return remedies;
    }

    private static SourcesEdit grouped(Design design, Source still, Source moved) {
        String group = still.group().isEmpty() ? still.name() : still.group();
        return new SourcesEdit(
                design.sources().stream()
                        .map(s ->
                                s.id().equals(still.id()) || s.id().equals(moved.id())
                                        ? s.withGroup(group)
                                        : s)
                        .toList(),
                "group of " + moved.name());
    }

    private static String flag(int frames, boolean late, boolean inverted) {
        String shift = frames == 0 ? "" : frames + (late ? " late" : " early");
        if (shift.isEmpty()) {
            return inverted ? "inverted" : "double";
        }
        return inverted ? shift + ", inverted" : shift;
    }

    private static String evidence(
            Design design, Source earlier, Source later, int frames, LineUp l, boolean copy) {
        String share =
                copy
                        ? Wording.text(
                                "share %.0f %% of their sound", 100 * Math.sqrt(l.sharedShare()))
                        : "share some sound";
        String lag =
                frames == 0
                        ? "at the same time"
                        : Wording.text(
                                "%s %d samples (%.2f ms) later",
                                later.name(), frames, 1000 * frames / design.song().sampleRateHz());
        return earlier.name()
                + " and "
                + later.name()
                + " "
                + share
                + ", "
                + lag
                + (l.polarity() == Polarity.SAME ? "" : ", " + l.polarity().label())
                + Wording.text("; confidence %.2f.", l.confidence());
    }
}
