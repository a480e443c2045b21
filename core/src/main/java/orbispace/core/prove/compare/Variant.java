package orbispace.core.prove.compare;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Width;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;

/**
 * A design with one thing of it left out or put in, to be heard against it.
 *
 * @param label what differs, such as {@code without the ducker of B}
 * @param design the other design
 */
public record Variant(String label, Design design) {
    private static final MusicalTime NONE = new MusicalTime.Millis(0);

    /** The design without each return, and without each stage of each that does something. */
    public static List<Variant> without(Design design) {
        List<Variant> found = new ArrayList<>();
        for (Return r : design.returns()) {
            add(found, design, "without " + r.id() + " " + r.name(), new FieldEdit.Remove(r.id()));
            stages(r)
                    .forEach((stage, edit) ->
                            add(found, design, "without the " + stage + " " + r.id(), edit));
        }
        return found;
    }

    /** The stages of a return that do something, and what takes each out, in their order. */
    private static Map<String, ReturnEdit> stages(Return r) {
        Map<String, ReturnEdit> all = new LinkedHashMap<>();
        if (!r.filterIn().equals(Filter.OPEN)) {
            all.put("filter before of", new ReturnEdit.FilterIn(r.id(), Filter.OPEN));
        }
        if (r.chain().drive() != null) {
            all.put("drive of", new ReturnEdit.Driving(r.id(), null));
        }
        if (!r.predelay().equals(NONE)) {
            all.put("predelay of", new ReturnEdit.Predelay(r.id(), NONE, r.timedAtBar()));
        }
        if (r.gate() != null) {
            all.put("gate of", new ReturnEdit.Gating(r.id(), null));
        }
        if (!r.filterOut().equals(Filter.OPEN)) {
            all.put("filter after of", new ReturnEdit.FilterOut(r.id(), Filter.OPEN));
        }
        if (r.duck() != null) {
            all.put("ducker of", new ReturnEdit.Ducking(r.id(), null));
        }
        if (!r.chain().width().equals(Width.PLAIN)) {
            all.put("width of", new ReturnEdit.Widening(r.id(), Width.PLAIN));
        }
        return all;
    }

    /** The design with each remedy of some findings. */
    public static List<Variant> with(Design design, List<Finding> findings) {
        List<Variant> found = new ArrayList<>();
        for (Finding f : findings) {
            for (Remedy remedy : f.remedies()) {
                String subject = f.subject().isEmpty() ? "" : ", " + f.subject();
                add(found, design, "with " + remedy.label() + subject, remedy.edit());
            }
        }
        return found;
    }

    /** What changes nothing, or what a design refuses since something builds on it, is none. */
    private static void add(List<Variant> to, Design design, String label, Edit edit) {
        applied(design, edit)
                .filter(other -> !other.equals(design))
                .ifPresent(other -> to.add(new Variant(label, other)));
    }

    private static Optional<Design> applied(Design design, Edit edit) {
        try {
            return Optional.of(edit.applyTo(design));
        } catch (IllegalArgumentException refused) {
            return Optional.empty();
        }
    }
}
