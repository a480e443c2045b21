package orbispace.core.bank;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.Leads;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.time.Fit;
import orbispace.core.time.NoteValue;
import org.jspecify.annotations.Nullable;

/** Turns returns of a song into what their numbers mean there. */
public final class Keeping {
    /** A consonant lasts about this long. */
    static final double CONSONANT_MILLIS = 45;

    private Keeping() {}

    /** A whole field, or the returns of some letters. */
    public static BankEntry of(String name, SongEvents song, List<Return> returns) {
        return new BankEntry(
                name,
                song.design().song().title(),
                returns.stream().map(r -> of(song, r)).toList());
    }

    /** One return. */
    public static Relations of(SongEvents song, Return r) {
        Purpose purpose = Purposes.of(song.design(), r);
        double predelay = song.seconds(r.predelay(), r);
        Duck duck = r.duck();
        return new Relations(
                r.name(),
                purpose,
                r.chain(),
                senders(song, r),
                down(song, r, purpose, predelay),
                predelay(r.predelay(), predelay),
                repeatsDown(song, r),
                gateBeats(song, r),
                ratio(r.filterOut().highPass(), song.lowEdgeHz(r)),
                ratio(r.filterOut().lowPass(), song.highEdgeHz(r)),
                asked(song, r),
                duck == null ? OptionalDouble.empty() : OptionalDouble.of(duck.rangeDb()),
                duck == null ? Role.LEAD : duckedBy(song, duck),
                Map.of());
    }

    private static WetState asked(SongEvents song, Return r) {
        return Purposes.judge(song.design(), r, Leads.main(song.design()))
                .map(s -> Targets.asked(song.design(), s, r).state())
                .orElse(Purposes.of(song.design(), r).asked());
    }

    private static Role duckedBy(SongEvents song, Duck duck) {
        return song.design().keySources(duck.keySource()).stream()
                .findFirst()
                .map(Source::role)
                .orElse(Role.LEAD);
    }

    private static List<Relations.Sender> senders(SongEvents song, Return r) {
        double most = r.sends().values().stream().mapToDouble(Send::levelDb).max().orElse(0);
        Map<Role, Relations.Sender> byRole = new EnumMap<>(Role.class);
        for (Source s : song.design().sources()) {
            Send send = r.sends().get(s.id());
            if (send != null) {
                Relations.Sender one =
                        new Relations.Sender(s.role(), send.levelDb() - most, send.gate() != null);
                byRole.merge(s.role(), one, (a, b) -> a.underDb() >= b.underDb() ? a : b);
            }
        }
        List<Relations.Sender> all = new ArrayList<>(byRole.values());
        all.sort(java.util.Comparator.comparingDouble(s -> -s.underDb()));
        return all;
    }

    /**
     * Near spaces and those of strokes are held against the next stroke, where anything strikes.
     */
    private static Optional<Relations.Down> down(
            SongEvents song, Return r, Purpose purpose, double predelay) {
        OptionalDouble decay = r.space().traits().decaySeconds();
        boolean byStroke =
                (purpose == Purpose.NEAR || purpose == Purpose.DRUMS)
                        && song.facts().hitSeconds().isPresent();
        Relations.Event event = byStroke ? Relations.Event.STROKE : Relations.Event.GAP;
        OptionalDouble at = song.seconds(event);
        if (decay.isEmpty() || at.isEmpty() || at.getAsDouble() <= predelay) {
            return Optional.empty();
        }
        double db = -Fit.tailLevelDb(at.getAsDouble(), predelay, decay.getAsDouble());
        return Optional.of(new Relations.Down(event, db));
    }

    private static Relations.Predelay predelay(MusicalTime time, double seconds) {
        return switch (time) {
            case MusicalTime.Note n ->
                    new Relations.Predelay(n.value().label(), n.offsetMillis(), 0);
            case MusicalTime.Millis m ->
                    new Relations.Predelay("", 0, 1000 * seconds - CONSONANT_MILLIS);
        };
    }

    private static OptionalDouble repeatsDown(SongEvents song, Return r) {
        OptionalDouble gap = song.facts().gapSeconds();
        if (!(r.space() instanceof Space.Echo e) || gap.isEmpty() || e.feedback() <= 0) {
            return OptionalDouble.empty();
        }
        double whole = repeats(gap.getAsDouble(), song.seconds(e.time(), r));
        return OptionalDouble.of(-20 * whole * Math.log10(e.feedback()));
    }

    /** How many whole repeats fall into a gap, at least one. */
    static double repeats(double gapSeconds, double spacingSeconds) {
        return Math.max(1, Math.floor(gapSeconds / spacingSeconds + 1e-9));
    }

    private static OptionalDouble gateBeats(SongEvents song, Return r) {
        Gate gate = r.gate();
        return gate == null || gate.length() == null
                ? OptionalDouble.empty()
                : OptionalDouble.of(
                        song.seconds(gate.length(), r) / song.beatSeconds(r.timedAtBar()));
    }

    private static OptionalDouble ratio(Filter.@Nullable Corner corner, OptionalDouble edgeHz) {
        return corner == null || edgeHz.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(corner.hz() / edgeHz.getAsDouble());
    }

    static Optional<NoteValue> note(String label) {
        return label.isEmpty() ? Optional.empty() : NoteValue.parse(label);
    }
}
