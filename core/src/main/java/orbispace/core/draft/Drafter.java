package orbispace.core.draft;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.material.GateKey;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.Fit;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;

/**
 * Drafts three fields for a song: one shared space, a short and a long one in layers, and one space
 * for each depth of the stage; each with an echo for what leads, and a gated space for hits that
 * can be told from bleed.
 *
 * <p>Decays follow {@code T60 = 60 (t - p) / L}: 30 dB down at the lead's median gap, 40 dB at the
 * next hit. The echo's feedback is the largest whose repeats are 30 dB down within the gap. Sends
 * go by role, the lead nearest, backing deeper, bass dry. Levels are where {@link StateLevels}
 * begins.
 */
public final class Drafter {
    static final double GAP_DOWN_DB = 30;
    static final double HIT_DOWN_DB = 40;
    private static final double USUAL_GAP_SECONDS = 1.2;
    private static final double USUAL_HIT_SECONDS = 0.4;
    private static final double LEAST_SEPARATION_DB = 6;
    static final double SPOKEN_DB = 10;
    private static final Filter CLEAN =
            new Filter(new Filter.Corner(220, 2), new Filter.Corner(6500, 2));

    private final Design design;
    private final SongFacts facts;
    private final double gap;
    private final double hit;

    private Drafter(Design design, SongFacts facts) {
        this.design = design;
        this.facts = facts;
        gap = facts.gapSeconds().orElse(USUAL_GAP_SECONDS);
        hit = facts.hitSeconds().orElse(USUAL_HIT_SECONDS);
    }

    /** The three drafts of a song's sources. */
    public static List<FieldDraft> drafts(Design design, SongFacts facts) {
        Drafter d = new Drafter(design, facts);
        return List.of(d.shared(), d.layers(), d.depths());
    }

    private final class Field {
        private final List<Return> returns = new ArrayList<>();
        private final Map<String, String> reasons = new LinkedHashMap<>();

        /** Adds a return if anything is sent into it. */
        void add(String name, Map<String, Send> sends, Chain chain, double levelDb, String why) {
            if (!sends.isEmpty()) {
                String id = String.valueOf((char) ('A' + returns.size()));
                Return.Timing timing = new Return.Timing(facts.bar(), false);
                returns.add(new Return(id, name, sends, Map.of(), chain, levelDb, timing));
                reasons.put(id, why);
            }
        }

        FieldDraft draft(String name, String idea) {
            echo(this);
            gated(this);
            return new FieldDraft(name, idea + facts.left(design), returns, reasons);
        }
    }

    private FieldDraft shared() {
        Field field = new Field();
        MusicalTime pre = note("1/64");
        double decay = clearing(gap, seconds(pre), GAP_DOWN_DB, 2.6);
        field.add(
                "Shared hall",
                sends(
                        Map.of(
                                Role.LEAD, -12.0,
                                Role.BACKING, -8.0,
                                Role.HARMONY_BED, -10.0,
                                Role.COLOUR, -10.0,
                                Role.HITS, -16.0)),
                reverb(ReverbKind.HALL, decay, 0.6, pre),
                -8,
                why(gap, "gap", seconds(pre), GAP_DOWN_DB, decay));
        return field.draft(
                "One shared space", "Everything stands in one hall; sends tell the depth.");
    }

    private FieldDraft layers() {
        Field field = new Field();
        double shortDecay = clearing(hit, 0.006, HIT_DOWN_DB, 0.8);
        field.add(
                "Near room",
                sends(
                        Map.of(
                                Role.LEAD, -12.0,
                                Role.BACKING, -10.0,
                                Role.HARMONY_BED, -10.0,
                                Role.COLOUR, -9.0,
                                Role.HITS, -9.0)),
                reverb(ReverbKind.ROOM, shortDecay, 0.8, new MusicalTime.Millis(6)),
                -8,
                why(hit, "next hit", 0.006, HIT_DOWN_DB, shortDecay));
        double spoken = Fit.spokenSeconds(0.006, shortDecay, SPOKEN_DB);
        MusicalTime pre = new MusicalTime.Millis(Math.rint(1000 * spoken));
        double decay = clearing(gap, spoken, GAP_DOWN_DB, 3);
        field.add(
                "Long hall",
                sends(
                        Map.of(
                                Role.LEAD, -10.0,
                                Role.BACKING, -8.0,
                                Role.HARMONY_BED, -12.0,
                                Role.COLOUR, -11.0)),
                reverb(ReverbKind.HALL, decay, 0.6, pre),
                -8,
                why(gap, "gap", spoken, GAP_DOWN_DB, decay)
                        + Wording.format(
                                "; it starts %.0f ms later, when the room is %.0f dB down",
                                1000 * spoken, SPOKEN_DB));
        return field.draft(
                "Short and long", "A room glues, a hall that starts later opens behind it.");
    }

    private FieldDraft depths() {
        Field field = new Field();
        MusicalTime pre = note("1/32");
        double near = clearing(gap, seconds(pre), GAP_DOWN_DB + 15, 1.2);
        field.add(
                "Near plate",
                sends(Map.of(Role.LEAD, -10.0)),
                reverb(ReverbKind.PLATE, near, 0.8, pre),
                -8,
                why(gap, "gap", seconds(pre), GAP_DOWN_DB + 15, near));
        double middle = clearing(hit, 0.01, HIT_DOWN_DB, 0.9);
        field.add(
                "Middle chamber",
                sends(Map.of(Role.COLOUR, -8.0, Role.HITS, -10.0)),
                reverb(ReverbKind.CHAMBER, middle, 0.75, new MusicalTime.Millis(10)),
                -8,
                why(hit, "next hit", 0.01, HIT_DOWN_DB, middle));
        double far = clearing(gap, 0, GAP_DOWN_DB, 3);
        field.add(
                "Far hall",
                sends(Map.of(Role.BACKING, -6.0, Role.HARMONY_BED, -6.0)),
                reverb(ReverbKind.HALL, far, 0.5, new MusicalTime.Millis(0)),
                -8,
                why(gap, "gap", 0, GAP_DOWN_DB, far));
        return field.draft(
                "One space per depth", "Lead near, colours between, bed and backing far.");
    }

    private void echo(Field field) {
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
        Space space = Space.Echo.pingPong(time, feedback, 150, 5000, 0.7);
        Chain chain =
                Chain.of(space)
                        .withFilterOut(
                                new Filter(new Filter.Corner(250, 2), new Filter.Corner(4500, 2)));
        field.add(
                "Echo",
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

    private void gated(Field field) {
        Optional<Source> struck =
                design.sourcesOf(Role.HITS).stream()
                        .filter(facts::sends)
                        .filter(s -> facts.gates().containsKey(s.id()))
                        .filter(s ->
                                java.util.Objects.requireNonNull(facts.gates().get(s.id()))
                                                .separationDb()
                                        >= LEAST_SEPARATION_DB)
                        .findFirst();
        if (struck.isEmpty()) {
            return;
        }
        String id = struck.get().id();
        GateKey key = java.util.Objects.requireNonNull(facts.gates().get(id));
        String note = seconds(note("1/4")) <= 1.05 * hit ? "1/4" : "1/8";
        Gate send = Gate.of(key, "", 0.5, 50, 60, null);
        Gate wall = Gate.of(key, id, 2, 50, 25, note(note));
        Chain chain =
                Chain.of(new Space.Reverb(ReverbKind.CHAMBER, 1.2, 0.8, 0.8, 1))
                        .withFilterIn(new Filter(new Filter.Corner(120, 2), null))
                        .withGate(wall);
        field.add(
                "Gated drum",
                Map.of(id, Send.of(-6).withGate(send)),
                chain,
                -8,
                Wording.format(
                        "opens at \u2212%.1f dBFS, between hits and bleed that are %.1f dB apart;"
                                + " ends after %s = %.0f ms",
                        -key.thresholdDb(), key.separationDb(), note, 1000 * seconds(note(note))));
    }

    private static Chain reverb(ReverbKind kind, double decay, double high, MusicalTime pre) {
        return Chain.of(new Space.Reverb(kind, decay, 1, high, 1))
                .withPredelay(pre)
                .withFilterOut(CLEAN);
    }

    private Map<String, Send> sends(Map<Role, Double> byRole) {
        Map<String, Send> sends = new TreeMap<>();
        for (Source s : design.sources()) {
            Double db = byRole.get(s.role());
            if (db != null && !s.wet() && facts.sends(s)) {
                sends.put(s.id(), Send.of(db));
            }
        }
        return sends;
    }

    /** The decay that is so far down when the next event comes, rounded down, within limits. */
    private static double clearing(double event, double predelay, double downDb, double most) {
        double allowed = Fit.decayThatClears(Math.max(event, predelay + 0.05), predelay, downDb);
        double wanted = Math.min(allowed, most);
        return Math.max(0.1, Math.floor(20 * wanted + 1e-6) / 20);
    }

    private static String why(
            double event, String what, double predelay, double downDb, double decay) {
        return Wording.format(
                "60 \u00d7 (%.2f s %s \u2212 %.0f ms) / %.0f dB allows %.2f s; set %.2f s",
                event,
                what,
                1000 * predelay,
                downDb,
                Fit.decayThatClears(Math.max(event, predelay + 0.05), predelay, downDb),
                decay);
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
