package orbispace.core.design;

/**
 * What a number may be and how it is turned.
 *
 * @param words what it is called in a message
 * @param unit how it is written
 * @param accepted what may be typed, in words
 * @param least the least it may be, and that steps reach
 * @param most the most
 * @param step how far one key turns it
 * @param decimals how exactly it is read
 */
record Scale(
        String words,
        Unit unit,
        String accepted,
        double least,
        double most,
        double step,
        int decimals) {
    /** A level like the one of a gate. */
    static Scale decibels(String words, double least, double most, double step, int decimals) {
        return new Scale(
                words, Unit.DECIBELS, "decibels like \u221218", least, most, step, decimals);
    }

    /** A short time. */
    static Scale millis(String words, double least, double most, double step, int decimals) {
        return new Scale(words, Unit.MILLIS, "milliseconds like 12", least, most, step, decimals);
    }

    /** A decay. */
    static Scale seconds(String words, double least, double most) {
        return new Scale(words, Unit.SECONDS, "a time like 1.2 or 800 ms", least, most, 0.05, 2);
    }

    /** A frequency. */
    static Scale hertz(String words, double least, double most, double step) {
        return new Scale(words, Unit.HERTZ, "a frequency like 310 or 3.1k", least, most, step, 0);
    }

    /** A share. */
    static Scale share(String words, double least, double most, double step) {
        return new Scale(words, Unit.SHARE, "percent like 31", least, most, step, 0);
    }

    /** A factor. */
    static Scale factor(String words, double least, double most) {
        return new Scale(words, Unit.FACTOR, "a factor like 1.2", least, most, 0.05, 2);
    }

    /** The same of another unit. */
    Scale in(Unit other) {
        return new Scale(words, other, accepted, least, most, step, decimals);
    }

    /** The same with other words for what may be typed. */
    Scale accepting(String other) {
        return new Scale(words, unit, other, least, most, step, decimals);
    }

    /**
     * Refuses a value outside.
     *
     * @throws IllegalArgumentException with the value and the range
     */
    void require(double value) {
        Ranges.require(words, value, least, most);
    }

    /** Whether a value is inside. */
    boolean holds(double value) {
        return value >= least && value <= most;
    }

    /** The range in words. */
    String range() {
        return written(least) + " to " + written(most);
    }

    private String written(double value) {
        Knob.Reading reading = unit.read(value, decimals);
        return (reading.value().replaceFirst("(\\.\\d*?)0+$", "$1").replaceFirst("\\.$", "")
                        + " "
                        + reading.unit())
                .strip();
    }

    double clamp(double value) {
        return Math.clamp(value, least, most);
    }

    /** So many steps from a value, rounded so that steps add up. */
    double stepped(double value, double steps) {
        return clamp(Math.rint((value + step * steps) * 1000) / 1000);
    }
}
