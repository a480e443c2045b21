package orbispace.core.draft;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purpose;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.Fit;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;

/**
 * Drafts fields for a song, one for each {@link School}; each with an echo for what leads, and a
 * gated space for the backbeat where its strokes can be told from bleed.
 *
 * <p>Decays follow {@code T60 = 60 (t - p) / L}: 30 dB down at the lead's median gap, 40 dB at the
 * next hit. The echo's feedback is the largest whose repeats are 30 dB down within the gap. Sends
 * go by role, the lead nearest, backing deeper, bass dry; what stands in a group is sent as one.
 * Levels are where {@link StateLevels} begins.
 */
public final class Drafter {
    static final double GAP_DOWN_DB = 30;
    static final double HIT_DOWN_DB = 40;
    private static final double USUAL_GAP_SECONDS = 1.2;
    static final double SPOKEN_DB = 10;
    private static final double LATE_SECONDS = 0.08;
    private static final double LATE_LONGER = 1.5;
    private static final double LATE_DUCK_DB = 6;
    private static final double LEAST_ALTERNATING = 0.3;
    private static final Filter CLEAN =
            new Filter(new Filter.Corner(220, 2), new Filter.Corner(6500, 2));

    private final Design design;
    private final SongFacts facts;
    private final double gap;
    private final double hit;
    private final Map<String, Role> roles;

    private Drafter(Design design, SongFacts facts) {
        this.design = design;
        this.facts = facts;
        gap = facts.gapSeconds().orElse(USUAL_GAP_SECONDS);
        // Where nothing strikes a short tail has to clear nothing but the rests.
        hit = facts.hitSeconds().orElse(gap);
        roles = SendRoles.of(design);
    }

    /** A draft of every school. */
    public static List<FieldDraft> drafts(Design design, SongFacts facts) {
        Drafter d = new Drafter(design, facts);
        return Arrays.stream(School.values()).map(d::draft).toList();
    }

    /** The draft of one school. */
    public static FieldDraft draft(Design design, SongFacts facts, School school) {
        return new Drafter(design, facts).draft(school);
    }

    private FieldDraft draft(School school) {
        return switch (school) {
            case SHARED -> shared();
            case LAYERS -> layers();
            case DEPTHS -> depths();
            case LATE -> late();
        };
    }

    private FieldDraft finished(FieldBuilder field, School school) {
        echo(field);
        drums(field);
        String none = field.has(Purpose.DRUMS) ? "" : DrumSpace.whyNone(design, facts);
        return field.draft(school, none + facts.left(design));
    }

    private FieldDraft shared() {
        FieldBuilder field = new FieldBuilder(facts.bar());
        MusicalTime pre = note("1/64");
        double decay = ClearingDecay.of(gap, seconds(pre), GAP_DOWN_DB, 2.6);
        field.add(
                "Shared hall",
                Purpose.FAR,
                sends(
                        Map.of(
                                Role.LEAD, -12.0,
                                Role.BACKING, -8.0,
                                Role.HARMONY_BED, -10.0,
                                Role.COLOUR, -10.0,
                                Role.HITS, -16.0)),
                reverb(ReverbKind.HALL, decay, 0.6, pre),
                -8,
                ClearingDecay.why(gap, "gap", seconds(pre), GAP_DOWN_DB, decay));
        return finished(field, School.SHARED);
    }

    private FieldDraft layers() {
        FieldBuilder field = new FieldBuilder(facts.bar());
        double shortDecay = ClearingDecay.of(hit, 0.006, HIT_DOWN_DB, 0.8);
        field.add(
                "Near room",
                Purpose.NEAR,
                sends(
                        Map.of(
                                Role.LEAD, -12.0,
                                Role.BACKING, -10.0,
                                Role.HARMONY_BED, -10.0,
                                Role.COLOUR, -9.0,
                                Role.HITS, -9.0)),
                reverb(ReverbKind.ROOM, shortDecay, 0.8, new MusicalTime.Millis(6)),
                -8,
                ClearingDecay.why(hit, "next hit", 0.006, HIT_DOWN_DB, shortDecay));
        double spoken = Fit.spokenSeconds(0.006, shortDecay, SPOKEN_DB);
        MusicalTime pre = new MusicalTime.Millis(Math.rint(1000 * spoken));
        double decay = ClearingDecay.of(gap, spoken, GAP_DOWN_DB, 3);
        field.add(
                "Long hall",
                Purpose.FAR,
                sends(
                        Map.of(
                                Role.LEAD, -10.0,
                                Role.BACKING, -8.0,
                                Role.HARMONY_BED, -12.0,
                                Role.COLOUR, -11.0)),
                reverb(ReverbKind.HALL, decay, 0.6, pre),
                -8,
                ClearingDecay.why(gap, "gap", spoken, GAP_DOWN_DB, decay)
                        + Wording.format(
                                "; it starts %.0f ms later, when the room is %.0f dB down",
                                1000 * spoken, SPOKEN_DB));
        return finished(field, School.LAYERS);
    }

    private FieldDraft depths() {
        FieldBuilder field = new FieldBuilder(facts.bar());
        MusicalTime pre = note("1/32");
        double near = ClearingDecay.of(gap, seconds(pre), GAP_DOWN_DB + 15, 1.2);
        field.add(
                "Near plate",
                Purpose.NEAR,
                sends(Map.of(Role.LEAD, -10.0)),
                reverb(ReverbKind.PLATE, near, 0.8, pre),
                -8,
                ClearingDecay.why(gap, "gap", seconds(pre), GAP_DOWN_DB + 15, near));
        double middle = ClearingDecay.of(hit, 0.01, HIT_DOWN_DB, 0.9);
        field.add(
                "Middle chamber",
                Purpose.NEAR,
                sends(Map.of(Role.COLOUR, -8.0, Role.HITS, -10.0)),
                reverb(ReverbKind.CHAMBER, middle, 0.75, new MusicalTime.Millis(10)),
                -8,
                ClearingDecay.why(hit, "next hit", 0.01, HIT_DOWN_DB, middle));
        double far = ClearingDecay.of(gap, 0, GAP_DOWN_DB, 3);
        field.add(
                "Far hall",
                Purpose.FAR,
                sends(Map.of(Role.BACKING, -6.0, Role.HARMONY_BED, -6.0)),
                reverb(ReverbKind.HALL, far, 0.5, new MusicalTime.Millis(0)),
                -8,
                ClearingDecay.why(gap, "gap", 0, GAP_DOWN_DB, far));
        return finished(field, School.DEPTHS);
    }

    private FieldDraft late() {
        FieldBuilder field = new FieldBuilder(facts.bar());
        MusicalTime pre = past(LATE_SECONDS);
        double allowed = LATE_LONGER * ClearingDecay.of(gap, seconds(pre), GAP_DOWN_DB, 20);
        double decay = Math.clamp(Math.floor(20 * allowed + 1e-6) / 20, 0.1, 6);
        field.add(
                "Late hall",
                Purpose.FAR,
                sends(Map.of(Role.LEAD, -10.0, Role.BACKING, -12.0)),
                reverb(ReverbKind.HALL, decay, 0.4, pre),
                -8,
                ClearingDecay.why(gap, "gap", seconds(pre), GAP_DOWN_DB, decay)
                        + Wording.format(
                                ", 1.5 times that; it starts %.0f ms later, after the consonant,"
                                        + " with highs \u00d7 0.4, and gives way to the words",
                                1000 * seconds(pre)));
        field.duckLast(LATE_DUCK_DB);
        double near = ClearingDecay.of(hit, 0.006, HIT_DOWN_DB, 0.8);
        field.add(
                "Near room",
                Purpose.NEAR,
                sends(Map.of(Role.HARMONY_BED, -10.0, Role.COLOUR, -9.0, Role.HITS, -10.0)),
                reverb(ReverbKind.ROOM, near, 0.8, new MusicalTime.Millis(6)),
                -8,
                ClearingDecay.why(hit, "next hit", 0.006, HIT_DOWN_DB, near));
        return finished(field, School.LATE);
    }

    /** The shortest note value that is no shorter than a time, or the time itself. */
    private MusicalTime past(double seconds) {
        return NoteValue.all().stream()
                .<MusicalTime>map(v -> new MusicalTime.Note(v, 0))
                .filter(n -> seconds(n) >= seconds && seconds(n) <= 1.5 * seconds)
                .min(Comparator.comparingDouble(this::seconds))
                .orElse(new MusicalTime.Millis(1000 * seconds));
    }

    private void echo(FieldBuilder field) {
        Map<String, Send> lead = sends(Map.of(Role.LEAD, -14.0));
        NoteValue best = value("1/8.");
        for (String candidate : List.of("1/4.", "1/4", "1/8.", "1/8")) {
            double length = seconds(new MusicalTime.Note(value(candidate), 0));
            if (length > 0.2 && 2 * length < gap) {
                best = value(candidate);
                break;
            }
        }
        MusicalTime time = new MusicalTime.Note(best, 0);
        double spacing = seconds(time);
        double fits = Fit.feedbackOfWholeRepeats(spacing, gap, GAP_DOWN_DB);
        double feedback = Math.clamp(fits, 0, 0.45);
        Space.Echo alternating = Space.Echo.pingPong(time, feedback, 150, 5000, 0.7);
        // One that hardly repeats would stand on its first side alone.
        Space space =
                feedback < LEAST_ALTERNATING
                        ? alternating.withKind(EchoSettings.Kind.SINGLE)
                        : alternating;
        Chain chain =
                Chain.of(space)
                        .withFilterOut(
                                new Filter(new Filter.Corner(250, 2), new Filter.Corner(4500, 2)));
        field.add(
                "Echo",
                Purpose.ECHO,
                lead,
                chain,
                -8,
                Wording.format(
                        "%s = %.0f ms; feedback %.2f is 30 dB down after %.2f s of %.2f s gap",
                        best.label(),
                        1000 * spacing,
                        feedback,
                        Fit.repeatsEndSeconds(spacing, feedback, GAP_DOWN_DB),
                        gap));
    }

    private void drums(FieldBuilder field) {
        DrumSpace.of(design, facts, hit)
                .ifPresent(d ->
                        field.add("Gated drum", Purpose.DRUMS, d.sends(), d.chain(), -8, d.why()));
    }

    private static Chain reverb(ReverbKind kind, double decay, double high, MusicalTime pre) {
        return Chain.of(new Space.Reverb(kind, decay, 1, high, 1))
                .withPredelay(pre)
                .withFilterOut(CLEAN);
    }

    /** Sends by role; what stands in a group is sent alike, as most of it is or as its lead. */
    private Map<String, Send> sends(Map<Role, Double> byRole) {
        Map<String, Send> sends = new TreeMap<>();
        for (Source s : design.sources()) {
            Double db = byRole.get(roles.getOrDefault(s.id(), s.role()));
            if (db != null && facts.takesSpace(s)) {
                sends.put(s.id(), Send.of(db));
            }
        }
        return sends;
    }

    private double seconds(MusicalTime time) {
        return time.seconds(design.song().clock(), facts.bar());
    }

    private static MusicalTime note(String text) {
        return new MusicalTime.Note(value(text), 0);
    }

    private static NoteValue value(String text) {
        return NoteValue.parse(text).orElseThrow();
    }
}
