package orbispace.core.design;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One number of a return, declared once: unit, range, step and words. From it come the field that
 * shows it, what may be typed there, the handle and the key that turn it, the lock that holds it,
 * and the message that refuses it in a file. To add a number, add a constant to the enum of its
 * stage, and the component of the model that it reads and sets.
 */
public sealed interface Knob
        permits ChainKnob, DuckKnob, GateKnob.On, SpaceKnob, CopyKnob, BandKnob, PairKnob {

    /** What it is called where it is shown. */
    String label();

    /** What it is called among all numbers of a return. */
    String title();

    /** What a lock of it is called; null for a number that no remedy changes. */
    @Nullable Setting setting();

    /** How it is read and turned. */
    Turn turn();

    /**
     * Where a number is turned.
     *
     * @param design the design as it stands
     * @param bar the bar that note values are taken at
     */
    record At(Design design, int bar) {}

    /** A number in words and its unit, which may be empty. */
    record Reading(String value, String unit) {}

    /** What may be typed, in words. */
    default String accepted() {
        return turn().accepted();
    }

    /** Whether a note value with its milliseconds may stand there. */
    default boolean isTime() {
        return turn() instanceof Turn.Time;
    }

    /** The number as it stands; empty if this return has none such. */
    default Optional<Reading> read(Design design, Return r) {
        return turn().read(design, r);
    }

    /** The edit that a typed text means; empty if it is not understood or not of this return. */
    default Optional<Edit> typed(At at, Return r, String text) {
        return turn().typed(at, r, text);
    }

    /** The edit of so many steps up; empty if it is not of this return. */
    default Optional<Edit> stepped(At at, Return r, double steps) {
        return turn().stepped(at, r, steps);
    }

    /**
     * The edit to a plain value, in its own unit; empty if it has none or is not of this return.
     */
    default Optional<Edit> valued(At at, Return r, double value) {
        return turn().valued(at, r, value);
    }

    /** The edit to a time; empty if it is no time or not of this return. */
    default Optional<Edit> timed(At at, Return r, MusicalTime time) {
        return turn().timed(at, r, time);
    }

    /** All numbers of a return, in the order of the chain. */
    static List<Knob> of(Return r) {
        List<Knob> all = new ArrayList<>();
        Collections.addAll(all, ChainKnob.values());
        Collections.addAll(all, DuckKnob.values());
        Collections.addAll(all, TailKnob.values());
        Collections.addAll(all, ResponseKnob.values());
        Collections.addAll(all, EchoKnob.values());
        Collections.addAll(all, PressKnob.values());
        all.addAll(CopyKnob.of(r.space()));
        all.addAll(BandKnob.of(r));
        all.addAll(PairKnob.of(true));
        all.addAll(PairKnob.of(false));
        for (GateKnob knob : GateKnob.values()) {
            all.add(knob.own());
            r.sends().keySet().forEach(id -> all.add(knob.ofSend(id)));
        }
        all.removeIf(knob -> knob.turn().state(r) == null);
        return List.copyOf(all);
    }
}
