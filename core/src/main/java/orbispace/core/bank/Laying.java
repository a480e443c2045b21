package orbispace.core.bank;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import orbispace.core.design.Chain;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.draft.DrumSpace;
import orbispace.core.draft.FieldDraft;
import orbispace.core.time.Fit;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * Turns relations into numbers of a song. Each number comes with its reason; what the song forces
 * to differ from what was kept is said in words. Levels are left where {@link
 * orbispace.core.draft.StateLevels} begins.
 */
public final class Laying {
    private static final double LOUDEST_SEND_DB = -8;
    private static final double LEVEL_DB = -8;

    /** Decays go by hundredths of a second, which moves a short one by so much of its decibels. */
    private static final double ROUNDED = 0.015;

    private final SongEvents song;
    private final LayingNotes notes = new LayingNotes();

    private Laying(SongEvents song) {
        this.song = song;
    }

    /** A field, and what is said of it. */
    public static FieldDraft of(BankEntry entry, SongEvents song) {
        List<Return> returns = new ArrayList<>();
        Map<String, String> why = new LinkedHashMap<>();
        Map<String, Purpose> purposes = new TreeMap<>();
        Map<String, Double> ducked = new TreeMap<>();
        List<String> leftOut = new ArrayList<>();
        for (Relations r : entry.returns()) {
            String id = String.valueOf((char) ('A' + returns.size()));
            Laying one = new Laying(song);
            Optional<Return> laid = one.laid(r, id);
            if (laid.isEmpty()) {
                leftOut.add(r.name() + ": " + one.notes.allForced());
                continue;
            }
            returns.add(laid.get());
            purposes.put(id, r.purpose());
            why.put(id, one.notes.words());
            r.duckDb().ifPresent(db -> ducked.put(id, db));
        }
        String idea =
                "Laid from \u201c"
                        + entry.name()
                        + "\u201d of "
                        + entry.from()
                        + ": what it means is kept, its numbers are those of this song.";
        return new FieldDraft(Optional.empty(), entry.name(), idea, returns, why, purposes, ducked)
                .without(leftOut);
    }

    private Optional<Return> laid(Relations r, String id) {
        Map<String, Send> sends = sends(r);
        if (sends.isEmpty()) {
            notes.forced("nothing in this song has a role that is sent into it");
            return Optional.empty();
        }
        if (r.chain().space() instanceof Space.Convolution) {
            notes.forced("its impulse response stays with the song that it comes from");
            return Optional.empty();
        }
        Return plain =
                new Return(
                        id,
                        r.name(),
                        sends,
                        Map.of(),
                        r.chain().withGate(null).withDuck(null),
                        LEVEL_DB,
                        new Return.Timing(song.facts().bar(), false));
        if (r.chain().space() instanceof Space.Reverb v && r.usually().containsKey(Manner.HIGHS)) {
            notes.because(
                    Wording.format("highs \u00d7%.2f", v.highRatio())
                            + LayingNotes.usual(r, Manner.HIGHS));
        }
        Return timed = plain.withPredelay(predelay(r));
        Return tail = decaying(timed, r);
        Return echoing = repeating(tail, r);
        return Optional.of(gated(new LaidCorners(song, notes).of(echoing, r), r));
    }

    private Map<String, Send> sends(Relations r) {
        if (r.purpose() == Purpose.DRUMS
                && r.senders().stream().anyMatch(Relations.Sender::gated)) {
            Optional<DrumSpace> drums = DrumSpace.of(song.design(), song.facts(), hit());
            if (drums.isPresent()) {
                notes.because(drums.get().why());
                return drums.get().sends();
            }
            notes.forced(
                    "no gate, since no level parts strokes from bleed"
                            + DrumSpace.whyNone(song.design(), song.facts()));
        }
        Map<String, Send> sends = new TreeMap<>();
        for (Relations.Sender sender : r.senders()) {
            for (Source s : song.design().sourcesOf(sender.role())) {
                if (song.facts().takesSpace(s)) {
                    sends.put(s.id(), Send.of(LOUDEST_SEND_DB + sender.underDb()));
                }
            }
        }
        for (Relations.Sender sender : r.senders()) {
            if (song.design().sourcesOf(sender.role()).isEmpty() && !sends.isEmpty()) {
                notes.forced("nothing here is " + sender.role().label());
            }
        }
        return sends;
    }

    private double hit() {
        return song.facts().hitSeconds().orElse(song.facts().gapSeconds().orElse(1));
    }

    private MusicalTime predelay(Relations r) {
        Optional<NoteValue> note = Keeping.note(r.predelay().note());
        MusicalTime time =
                note.<MusicalTime>map(n -> new MusicalTime.Note(n, r.predelay().offsetMillis()))
                        .orElseGet(() ->
                                new MusicalTime.Millis(
                                        Math.max(
                                                0,
                                                Math.rint(
                                                                10
                                                                        * (Keeping.CONSONANT_MILLIS
                                                                                + r.predelay()
                                                                                        .afterConsonantMillis()))
                                                        / 10)));
        double millis = 1000 * seconds(time);
        notes.because(
                note.isPresent()
                        ? Wording.format(
                                "predelay %s = %.0f ms%s",
                                time.label(), millis, LayingNotes.usual(r, "predelay"))
                        : Wording.format(
                                "predelay %.0f ms, %s%s",
                                millis,
                                consonant(r.predelay().afterConsonantMillis()),
                                LayingNotes.usual(r, "predelay")));
        return time;
    }

    private static String consonant(double afterMillis) {
        return afterMillis < 0
                ? Wording.format("%.0f ms before the consonant is over", -afterMillis)
                : Wording.format("%.0f ms after the consonant", afterMillis);
    }

    private double seconds(MusicalTime time) {
        return time.seconds(song.design().song().clock(), song.facts().bar());
    }

    private Return decaying(Return plain, Relations r) {
        OptionalDouble was = plain.space().traits().decaySeconds();
        if (r.decay().isEmpty() || was.isEmpty()) {
            return plain;
        }
        Relations.Event event = r.decay().get().event();
        OptionalDouble at = song.seconds(event);
        double predelay = seconds(plain.predelay());
        if (at.isEmpty() || at.getAsDouble() <= predelay + 0.03) {
            notes.forced(
                    at.isEmpty()
                            ? "no " + event.label() + " is known here, its decay stays"
                            : Wording.format(
                                    "the %s comes %.0f ms after it begins, its decay stays",
                                    event.label(), 1000 * (at.getAsDouble() - predelay)));
            return plain;
        }
        double wanted = Fit.decayThatClears(at.getAsDouble(), predelay, r.decay().get().db());
        double decay = Math.rint(100 * Math.clamp(wanted, 0.1, 20)) / 100;
        double down = -Fit.tailLevelDb(at.getAsDouble(), predelay, decay);
        notes.because(
                Wording.format(
                        "%.1f dB down at the %s of %.2f s, as kept: %.2f s%s",
                        down,
                        event.label(),
                        at.getAsDouble(),
                        decay,
                        LayingNotes.usual(r, "decay")));
        double kept = r.decay().get().db();
        if (Math.abs(down - kept) > Math.max(0.5, ROUNDED * kept)) {
            notes.forced(
                    Wording.format(
                            "%.1f dB down where %.1f were kept, at the end of what a decay may be",
                            down, r.decay().get().db()));
        }
        return plain.withSpace(SpaceTraits.ringing(plain.space(), decay / was.getAsDouble()));
    }

    private Return repeating(Return plain, Relations r) {
        OptionalDouble gap = song.facts().gapSeconds();
        if (!(plain.space() instanceof Space.Echo e) || r.repeatsDownDb().isEmpty()) {
            return plain;
        }
        if (gap.isEmpty()) {
            notes.forced("no gap is known here, its feedback stays");
            return plain;
        }
        double spacing = seconds(e.time());
        double whole = Keeping.repeats(gap.getAsDouble(), spacing);
        double wanted = Math.pow(10, -r.repeatsDownDb().getAsDouble() / 20 / whole);
        double feedback = Math.clamp(Math.rint(100 * wanted) / 100, 0, 0.9);
        notes.because(
                Wording.format(
                        "%s = %.0f ms; %.0f whole repeats in the gap of %.2f s, the last %.1f dB"
                                + " down: feedback %.2f%s",
                        e.time().label(),
                        1000 * spacing,
                        whole,
                        gap.getAsDouble(),
                        r.repeatsDownDb().getAsDouble(),
                        feedback,
                        LayingNotes.usual(r, "repeats")));
        if (gap.getAsDouble() < spacing) {
            notes.forced("not one whole repeat fits into the gap");
        }
        return plain.withSpace(e.withFeedback(feedback));
    }

    private Return gated(Return plain, Relations r) {
        Gate was = r.chain().gate();
        if (was == null) {
            return plain;
        }
        Optional<Gate> wall =
                DrumSpace.of(song.design(), song.facts(), hit())
                        .flatMap(d -> Optional.ofNullable(d.chain().gate()));
        if (r.gateBeats().isEmpty() || wall.isEmpty()) {
            notes.forced("its gate is left out, since nothing parts strokes from bleed");
            return plain;
        }
        double seconds = r.gateBeats().getAsDouble() * song.beatSeconds(song.facts().bar());
        MusicalTime length = note(was.length(), seconds);
        notes.because(
                Wording.format(
                        "open for %.2f beats = %.0f ms%s",
                        r.gateBeats().getAsDouble(), 1000 * seconds, LayingNotes.usual(r, "gate")));
        Chain chain =
                plain.chain()
                        .withGate(
                                wall.get()
                                        .withLength(length)
                                        .withTimes(
                                                was.attackMillis(),
                                                was.holdMillis(),
                                                was.releaseMillis()));
        return plain.withChain(chain);
    }

    private static MusicalTime note(@Nullable MusicalTime was, double seconds) {
        return was instanceof MusicalTime.Note n ? n : new MusicalTime.Millis(1000 * seconds);
    }
}
