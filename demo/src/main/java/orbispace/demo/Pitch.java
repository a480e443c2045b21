package orbispace.demo;

/** Note names to frequencies, equal temperament at A4 = 440 Hz. */
final class Pitch {
    private static final String STEPS = "C D EF G A B";

    private Pitch() {}

    /** Frequency of a name such as {@code D4}. */
    static double hz(String name) {
        return 440 * Math.pow(2, (midi(name) - 69) / 12.0);
    }

    /** Semitones above C-1 of a name. */
    static int midi(String name) {
        return STEPS.indexOf(name.charAt(0)) + 12 * (name.charAt(1) - '0' + 1);
    }
}
