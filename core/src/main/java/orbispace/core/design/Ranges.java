package orbispace.core.design;

/** Checks of values that a design may hold. */
final class Ranges {
    private Ranges() {}

    static void require(String what, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(
                    what + " " + value + " is outside " + low + " to " + high);
        }
    }

    static void requireId(String what, String id) {
        if (!id.matches("[A-Za-z0-9][A-Za-z0-9_-]{0,63}")) {
            throw new IllegalArgumentException(
                    what + " id \"" + id + "\" is not made of letters, digits and hyphens");
        }
    }
}
