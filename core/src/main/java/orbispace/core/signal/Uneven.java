package orbispace.core.signal;

/** A few places all over a stretch, unevenly, lest strokes on a grid all fall between them. */
public final class Uneven {
    /** The golden ratio's part over 1, whose multiples lie far from each other. */
    private static final double SPREAD = 0.6180339887498949;

    private Uneven() {}

    /**
     * At most {@code most} of so many places, in rising order; all of them if there are no more.
     */
    public static int[] places(int all, int most) {
        int[] places = new int[Math.min(all, most)];
        double step = (double) all / Math.max(1, places.length);
        for (int i = 0; i < places.length; i++) {
            places[i] = all <= most ? i : (int) (step * (i + i * SPREAD % 1));
        }
        return places;
    }
}
