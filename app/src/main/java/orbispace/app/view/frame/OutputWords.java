package orbispace.app.view.frame;

/**
 * Where the sound goes, in two short lines.
 *
 * @param device what it goes to
 * @param state what is the matter there; empty for nothing
 */
record OutputWords(String device, String state) {
    private static final String GONE = " is gone";
    private static final String MISSING = " is not there";

    /** The lines for what a transport says. */
    static OutputWords of(String name) {
        int late = name.lastIndexOf(", ");
        if (late > 0 && name.endsWith(" late")) {
            OutputWords rest = of(name.substring(0, late));
            String words = name.substring(late + 2);
            return rest.state.isEmpty() ? new OutputWords(rest.device, words) : rest;
        }
        if (name.contains(GONE)) {
            return new OutputWords(name.substring(0, name.indexOf(GONE)), "gone: silent");
        }
        if (name.contains(MISSING)) {
            return new OutputWords(name.substring(0, name.indexOf(MISSING)), "not there");
        }
        int at = name.lastIndexOf(" at ");
        return at > 0 && name.endsWith(" kHz")
                ? new OutputWords(name.substring(0, at), name.substring(at + 1))
                : new OutputWords(name, "");
    }
}
