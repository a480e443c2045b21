package orbispace.app.view.clear;

/** Which rivers are seen where there are more than fit, and how high each is. */
final class RiverRoll {
    private static final double LEAST = 34;
    private static final double MOST = 92;
    private static final int FEWEST = 3;

    private int rolled;

    /** Height of a river where {@code count} of them share a room. */
    double height(int count, double room) {
        return Math.clamp(room / Math.max(1, count), LEAST, MOST);
    }

    /** How many are seen at a time. */
    int shown(int count, double room) {
        return Math.min(count, (int) Math.max(FEWEST, room / LEAST));
    }

    /** The first that is seen. */
    int first(int count, double room) {
        rolled = Math.clamp(rolled, 0, count - shown(count, room));
        return rolled;
    }

    /** Rolls by one row, down for a negative turn of the wheel. */
    void turn(double wheel) {
        rolled -= (int) Math.signum(wheel);
    }

    /** Rolls so that one of them is seen. */
    void show(int index, int count, double room) {
        if (index >= 0) {
            rolled = Math.clamp(rolled, index - shown(count, room) + 1, index);
        }
    }
}
