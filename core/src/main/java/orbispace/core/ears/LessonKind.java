package orbispace.core.ears;

import java.util.OptionalDouble;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Edit;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.design.Width;
import orbispace.core.time.SongClock;

/** What may differ between the two sounds of a lesson: one has it as it is set, one has more. */
public enum LessonKind {
    /** How loud a return is. */
    LEVEL("level", "dB", "louder"),
    /** How long a space rings. */
    DECAY("decay", "%", "longer"),
    /** When a space begins. */
    PREDELAY("predelay", "ms", "later"),
    /** How far down highs are taken off behind the space. */
    LOW_PASS("low-pass", "octaves", "darker"),
    /** How far up lows are taken off behind the space. */
    HIGH_PASS("high-pass", "octaves", "thinner"),
    /** How much narrower the sides are. */
    WIDTH("width", "%", "narrower"),
    /** How far a return is ducked. */
    DUCKING("ducking", "dB", "ducked deeper"),
    /** When an echo comes. */
    ECHO_TIME("echo time", "%", "later"),
    /** How far the sound is driven. */
    DRIVE("drive", "dB", "driven harder");

    private static final double OPEN_LOW_PASS_HZ = 20000;
    private static final double LEAST_LOW_PASS_HZ = 250;
    private static final double OPEN_HIGH_PASS_HZ = 20;
    private static final double MOST_HIGH_PASS_HZ = 4000;
    private static final int POLES = 2;
    private static final double MOST_LOUDER_DB = 12;
    private static final double MOST_DECAY_SECONDS = 20;
    private static final double MOST_LONGER_PERCENT = 300;
    private static final double MOST_LATER_MILLIS = 120;
    private static final double MOST_ECHO_PERCENT = 16;
    private static final double MOST_DRIVE_DB = 24;

    private final String label;
    private final String unit;
    private final String more;

    LessonKind(String label, String unit, String more) {
        this.label = label;
        this.unit = unit;
        this.more = more;
    }

    /** What differs, in words. */
    public String label() {
        return label;
    }

    /** What the difference is counted in. */
    public String unit() {
        return unit;
    }

    /** What the sound with more of it is, in words. */
    public String more() {
        return more;
    }

    /** The greatest difference that a return allows; empty if it has nothing of this kind. */
    public OptionalDouble greatest(Return r) {
        double most =
                switch (this) {
                    case LEVEL -> Math.min(MOST_LOUDER_DB, 24 - r.levelDb());
                    case DECAY -> longer(r);
                    case PREDELAY -> MOST_LATER_MILLIS;
                    case LOW_PASS -> log2(lowPass(r).hz() / LEAST_LOW_PASS_HZ);
                    case HIGH_PASS -> log2(MOST_HIGH_PASS_HZ / highPass(r).hz());
                    case WIDTH -> 100 * Math.min(1, r.chain().width().factor());
                    case DUCKING -> duckable(r);
                    case ECHO_TIME -> r.space() instanceof Space.Echo ? MOST_ECHO_PERCENT : 0;
                    case DRIVE -> Math.min(MOST_DRIVE_DB, 40 - drive(r).driveDb());
                };
        return most > 0 ? OptionalDouble.of(most) : OptionalDouble.empty();
    }

    /**
     * The change that makes the sound with more of it.
     *
     * @param difference in {@link #unit}, 0 to {@link #greatest}
     * @throws IllegalArgumentException if it is out of range, or the return has nothing of the kind
     */
    public Edit edit(Design design, Return r, double difference) {
        double most = greatest(r).orElse(-1);
        if (!(difference >= 0) || difference > most * (1 + 1e-9)) {
            throw new IllegalArgumentException(
                    r.name() + " has no lesson in " + label + " by " + difference + " " + unit);
        }
        return switch (this) {
            case LEVEL -> new ReturnEdit.Level(r.id(), r.levelDb() + difference);
            case DECAY ->
                    new ReturnEdit.Spatial(
                            r.id(), SpaceTraits.ringing(r.space(), 1 + difference / 100), "decay");
            case PREDELAY ->
                    new ReturnEdit.Predelay(
                            r.id(),
                            new MusicalTime.Millis(1000 * at(design, r, r.predelay()) + difference),
                            r.timedAtBar());
            case LOW_PASS ->
                    new ReturnEdit.FilterOut(
                            r.id(), r.filterOut().withLowPass(moved(lowPass(r), -difference)));
            case HIGH_PASS ->
                    new ReturnEdit.FilterOut(
                            r.id(), r.filterOut().withHighPass(moved(highPass(r), difference)));
            case WIDTH -> {
                Width width = r.chain().width();
                double narrower = Math.max(0, width.factor() - difference / 100);
                yield new ReturnEdit.Widening(r.id(), width.withFactor(narrower));
            }
            case DUCKING -> deeper(r, difference);
            case ECHO_TIME -> later(design, r, difference);
            case DRIVE ->
                    new ReturnEdit.Driving(
                            r.id(), drive(r).withDrive(drive(r).driveDb() + difference));
        };
    }

    private static double longer(Return r) {
        double set = r.space().traits().decaySeconds().orElse(MOST_DECAY_SECONDS);
        return Math.min(MOST_LONGER_PERCENT, 100 * (MOST_DECAY_SECONDS / set - 1));
    }

    private static double duckable(Return r) {
        Duck duck = r.duck();
        return duck == null ? 0 : Math.min(MOST_LOUDER_DB, 60 - duck.rangeDb());
    }

    private static Edit deeper(Return r, double by) {
        Duck duck = r.duck();
        return new ReturnEdit.Ducking(
                r.id(), duck == null ? null : duck.withRange(duck.rangeDb() + by));
    }

    private static Edit later(Design design, Return r, double percent) {
        double now = at(design, r, ((Space.Echo) r.space()).time());
        return new ReturnEdit.EchoTime(
                r.id(), new MusicalTime.Millis(1000 * now * (1 + percent / 100)), r.timedAtBar());
    }

    private static double at(Design design, Return r, MusicalTime time) {
        SongClock clock = design.song().clock();
        return time.seconds(clock, r.timedAtBar());
    }

    private static Drive drive(Return r) {
        Drive set = r.chain().drive();
        return set == null ? new Drive(0, false) : set;
    }

    private static Filter.Corner lowPass(Return r) {
        Filter.Corner set = r.filterOut().lowPass();
        return set == null ? new Filter.Corner(OPEN_LOW_PASS_HZ, POLES) : set;
    }

    private static Filter.Corner highPass(Return r) {
        Filter.Corner set = r.filterOut().highPass();
        return set == null ? new Filter.Corner(OPEN_HIGH_PASS_HZ, POLES) : set;
    }

    private static Filter.Corner moved(Filter.Corner corner, double octaves) {
        return new Filter.Corner(corner.hz() * Math.pow(2, octaves), corner.poles());
    }

    private static double log2(double x) {
        return Math.log(x) / Math.log(2);
    }
}
