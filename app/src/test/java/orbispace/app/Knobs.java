package orbispace.app;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.BandKnob;
import orbispace.core.design.ChainKnob;
import orbispace.core.design.CopyKnob;
import orbispace.core.design.Design;
import orbispace.core.design.DuckKnob;
import orbispace.core.design.EchoKnob;
import orbispace.core.design.Edit;
import orbispace.core.design.GateKnob;
import orbispace.core.design.Knob;
import orbispace.core.design.PairKnob;
import orbispace.core.design.PressKnob;
import orbispace.core.design.ResponseKnob;
import orbispace.core.design.Return;
import orbispace.core.design.TailKnob;

/** The numbers of returns by their titles. */
public final class Knobs {
    private Knobs() {}

    /** Every number that any return may have, those of a return's sends among them. */
    public static List<Knob> all(Return r) {
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
        return all;
    }

    /** The number of a title; none for what no return has. */
    public static Optional<Knob> titled(Return r, String title) {
        return all(r).stream().filter(k -> k.title().equals(title)).findFirst();
    }

    /** What typing a text there means. */
    public static Optional<Edit> typed(Knob.At at, Return r, String title, String text) {
        return titled(r, title).flatMap(k -> k.typed(at, r, text));
    }

    /** What so many steps mean there. */
    public static Optional<Edit> stepped(Knob.At at, Return r, String title, double steps) {
        return titled(r, title).flatMap(k -> k.stepped(at, r, steps));
    }

    /** A number in words with its unit; "nothing" for one that a return has not. */
    public static String reading(Design design, Return r, String title) {
        return titled(r, title)
                .flatMap(k -> k.read(design, r))
                .map(read -> (read.value() + " " + read.unit()).strip())
                .orElse("nothing");
    }
}
