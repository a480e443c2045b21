package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Lays what was worked out for a field over the field as it stands by then: number by number, what
 * was changed on either side is kept. What both sides changed to different values is refused.
 *
 * <p>Only returns and plans are taken over; sources, song and throws stay as they stand.
 */
public final class Rebase {
    private Rebase() {}

    /**
     * A result laid over a design.
     *
     * @param now the design as it stands
     * @param base the design that the result was worked out for
     * @param made the result
     * @throws IllegalArgumentException naming the first number that both sides changed
     */
    public static Design onto(Design now, Design base, Design made) {
        if (now.equals(base)) {
            return made;
        }
        List<Return> returns = new ArrayList<>();
        for (Return r : now.returns()) {
            Optional<Return> was = base.findReturn(r.id());
            Optional<Return> is = made.findReturn(r.id());
            returns.add(was.isPresent() && is.isPresent() ? of(r, was.get(), is.get()) : r);
        }
        for (Return r : made.returns()) {
            Optional<Return> was = base.findReturn(r.id());
            if (now.findReturn(r.id()).isEmpty() && !Optional.of(r).equals(was)) {
                throw new IllegalArgumentException("return " + r.id() + " was removed meanwhile");
            }
        }
        List<Section> sections = new ArrayList<>();
        for (Section s : now.song().sections()) {
            Optional<Section> was = at(base, s);
            Optional<Section> is = at(made, s);
            boolean known = was.isPresent() && is.isPresent();
            sections.add(
                    known
                            ? s.withPlan(of(s.name(), s.plan(), was.get().plan(), is.get().plan()))
                            : s);
        }
        return now.withReturns(returns).withSong(now.song().withSections(sections));
    }

    private static Optional<Section> at(Design design, Section s) {
        return design.song().sections().stream()
                .filter(o -> o.firstBar() == s.firstBar() && o.bars() == s.bars())
                .findFirst();
    }

    private static Return of(Return now, Return base, Return made) {
        String of = " of " + now.id();
        return new Return(
                now.id(),
                pick(now.name(), base.name(), made.name(), "name" + of),
                merged(now.sends(), base.sends(), made.sends(), "send of ", " into " + now.id()),
                merged(now.feeds(), base.feeds(), made.feeds(), "feed of ", " into " + now.id()),
                of(now.chain(), base.chain(), made.chain(), of),
                pick(now.levelDb(), base.levelDb(), made.levelDb(), "level" + of),
                pick(now.timing(), base.timing(), made.timing(), "tempo" + of));
    }

    private static Chain of(Chain now, Chain base, Chain made, String of) {
        return Chain.of(pick(now.space(), base.space(), made.space(), "space" + of))
                .withFilterIn(pick(now.filterIn(), base.filterIn(), made.filterIn(), "filter" + of))
                .withDrive(pickOrNone(now.drive(), base.drive(), made.drive(), "drive" + of))
                .withPredelay(
                        pick(now.predelay(), base.predelay(), made.predelay(), "predelay" + of))
                .withGate(pickOrNone(now.gate(), base.gate(), made.gate(), "gate" + of))
                .withFilterOut(
                        pick(now.filterOut(), base.filterOut(), made.filterOut(), "filter" + of))
                .withDuck(pickOrNone(now.duck(), base.duck(), made.duck(), "ducker" + of))
                .withWidth(pick(now.width(), base.width(), made.width(), "width" + of));
    }

    private static SectionPlan of(
            String section, SectionPlan now, SectionPlan base, SectionPlan made) {
        TreeSet<String> ids = new TreeSet<>(now.cells().keySet());
        ids.addAll(base.cells().keySet());
        ids.addAll(made.cells().keySet());
        SectionPlan plan = now;
        for (String id : ids) {
            String of = " of " + id + " in " + section;
            plan = plan.withCell(id, of(now.cell(id), base.cell(id), made.cell(id), of));
        }
        return plan;
    }

    private static PlanCell of(PlanCell now, PlanCell base, PlanCell made, String of) {
        return new PlanCell(
                pick(now.levelDb(), base.levelDb(), made.levelDb(), "level" + of),
                pick(now.decayScale(), base.decayScale(), made.decayScale(), "decay" + of),
                pick(now.tempo(), base.tempo(), made.tempo(), "tempo" + of),
                pick(now.widthScale(), base.widthScale(), made.widthScale(), "width" + of),
                pick(now.muted(), base.muted(), made.muted(), "mute" + of),
                pick(now.rampBeats(), base.rampBeats(), made.rampBeats(), "ramp" + of),
                pick(now.edge(), base.edge(), made.edge(), "edge" + of));
    }

    private static <T> Map<String, T> merged(
            Map<String, T> now, Map<String, T> base, Map<String, T> made, String of, String into) {
        TreeSet<String> keys = new TreeSet<>(now.keySet());
        keys.addAll(base.keySet());
        keys.addAll(made.keySet());
        Map<String, T> merged = new TreeMap<>();
        for (String key : keys) {
            T value = pickOrNone(now.get(key), base.get(key), made.get(key), of + key + into);
            if (value != null) {
                merged.put(key, value);
            }
        }
        return merged;
    }

    private static <T> @Nullable T pickOrNone(
            @Nullable T now, @Nullable T base, @Nullable T made, String what) {
        return pick(
                        Optional.ofNullable(now),
                        Optional.ofNullable(base),
                        Optional.ofNullable(made),
                        what)
                .orElse(null);
    }

    private static <T> T pick(T now, T base, T made, String what) {
        if (made.equals(base) || made.equals(now)) {
            return now;
        }
        if (now.equals(base)) {
            return made;
        }
        throw new IllegalArgumentException(what + " was changed meanwhile");
    }
}
