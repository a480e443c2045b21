package orbispace.core.design;

import java.util.EnumSet;
import java.util.LinkedHashSet;
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
        Set<Knob> knobs = new LinkedHashSet<>(Knob.of(was));
        knobs.addAll(Knob.of(is));
        for (Knob knob : knobs) {
            if (knob.setting() != null) {
                add(changed, knob.setting(), knob.turn().state(was), knob.turn().state(is));
            }
        }
        add(changed, GATE, was.gate(), is.gate());
        add(changed, DUCK, was.duck(), is.duck());
        add(changed, DIP, was.filterIn().bands(), is.filterIn().bands());
        add(changed, DIP, was.filterOut().bands(), is.filterOut().bands());
        add(changed, SPACE, false, isOtherwise(was.space(), is.space()));
        return changed;
    }

    /** Whether more of a space is changed than has a setting of its own. */
    private static boolean isOtherwise(Space was, Space is) {
        return switch (was) {
            case Space.Reverb a when is instanceof Space.Reverb b ->
                    !a.withDecay(b.decaySeconds()).equals(b);
            case Space.Echo a when is instanceof Space.Echo b ->
                    !a.withTime(b.time()).withFeedback(b.feedback()).equals(b);
            default -> !was.equals(is);
        };
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
