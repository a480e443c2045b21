package orbispace.core.design;

import java.util.EnumSet;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What of a return a remedy may change. Any can be barred, or locked on one return. */
public enum Setting {
    /** The high-pass behind the space. */
    HIGH_PASS("high-pass"),
    /** The low-pass behind the space. */
    LOW_PASS("low-pass"),
    /** The dip behind the space. */
    DIP("dip"),
    /** The gate behind the space. */
    GATE("gate"),
    /** The ducker. */
    DUCK("duck"),
    /** The decay. */
    DECAY("decay"),
    /** The predelay. */
    PREDELAY("predelay"),
    /** The return's level. */
    LEVEL("level"),
    /** The feedback of an echo. */
    FEEDBACK("feedback"),
    /** The time of an echo. */
    ECHO_TIME("echo time"),
    /** The width. */
    WIDTH("width"),
    /** The kind of the space and what else belongs to it. */
    SPACE("space");

    private final String label;

    Setting(String label) {
        this.label = label;
    }

    /** Whether the space itself has to be rendered again. */
    public boolean rendersSpace() {
        return switch (this) {
            case DECAY, PREDELAY, FEEDBACK, ECHO_TIME, SPACE -> true;
            case HIGH_PASS, LOW_PASS, DIP, GATE, DUCK, LEVEL, WIDTH -> false;
        };
    }

    /** Everything that an edit of a return would change in a design. */
    public static Set<Setting> changedBy(ReturnEdit edit, Design design) {
        Return was = design.requireReturn(edit.returnId());
        Return is = edit.applyTo(design).requireReturn(edit.returnId());
        Set<Setting> changed = EnumSet.noneOf(Setting.class);
        Filter[][] slots = {
            {was.filterIn(), is.filterIn()}, {was.filterOut(), is.filterOut()},
        };
        for (Filter[] slot : slots) {
            add(changed, HIGH_PASS, slot[0].highPass(), slot[1].highPass());
            add(changed, LOW_PASS, slot[0].lowPass(), slot[1].lowPass());
            add(changed, DIP, slot[0].dip(), slot[1].dip());
        }
        add(changed, GATE, was.gate(), is.gate());
        add(changed, DUCK, was.duck(), is.duck());
        add(changed, PREDELAY, was.predelay(), is.predelay());
        add(changed, LEVEL, was.levelDb(), is.levelDb());
        add(changed, WIDTH, was.chain().width(), is.chain().width());
        changed.addAll(changedSpace(was.space(), is.space()));
        return changed;
    }

    private static Set<Setting> changedSpace(Space was, Space is) {
        if (was.equals(is)) {
            return EnumSet.noneOf(Setting.class);
        }
        if (was instanceof Space.Reverb a && is instanceof Space.Reverb b) {
            boolean decay = a.withDecay(b.decaySeconds()).equals(b);
            return EnumSet.of(decay ? DECAY : SPACE);
        }
        if (was instanceof Space.Echo a && is instanceof Space.Echo b) {
            Set<Setting> changed = EnumSet.noneOf(Setting.class);
            add(changed, FEEDBACK, a.feedback(), b.feedback());
            add(changed, ECHO_TIME, a.time(), b.time());
            boolean all = a.withTime(b.time()).withFeedback(b.feedback()).equals(b);
            add(changed, SPACE, true, all);
            return changed;
        }
        return EnumSet.of(SPACE);
    }

    private static void add(
            Set<Setting> changed, Setting one, @Nullable Object was, @Nullable Object is) {
        if (!Objects.equals(was, is)) {
            changed.add(one);
        }
    }

    /** Its name in words. */
    public String label() {
        return label;
    }
}
