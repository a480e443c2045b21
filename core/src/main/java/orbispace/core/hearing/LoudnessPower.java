package orbispace.core.hearing;

/**
 * Powers of excitation to the exponent of loudness, by a table of mantissas with straight lines
 * between and one of exponents. Within 2e-9 of the exact value, relative; continuous and rising.
 */
final class LoudnessPower {
    /** The exponent of loudness on excitation. */
    static final double EXPONENT = 0.23;

    private static final int MANTISSA_BITS = 12;
    private static final int BIAS = 1023;
    private static final double[] MANTISSA = mantissas();
    private static final double[] SCALE = scales();

    private LoudnessPower() {}

    private static double[] mantissas() {
        double[] table = new double[(1 << MANTISSA_BITS) + 1];
        for (int i = 0; i < table.length; i++) {
            table[i] = Math.pow(1 + i / (double) (1 << MANTISSA_BITS), EXPONENT);
        }
        return table;
    }

    private static double[] scales() {
        double[] table = new double[2 * BIAS + 2];
        for (int e = 0; e < table.length; e++) {
            table[e] = Math.pow(2, EXPONENT * (e - BIAS));
        }
        return table;
    }

    /** The power of a normal positive number. */
    static double of(double x) {
        long bits = Double.doubleToRawLongBits(x);
        int exponent = (int) (bits >>> 52);
        int index = (int) (bits >>> (52 - MANTISSA_BITS)) & ((1 << MANTISSA_BITS) - 1);
        double part = (bits & ((1L << (52 - MANTISSA_BITS)) - 1)) * 0x1p-40;
        double low = MANTISSA[index];
        return (low + part * (MANTISSA[index + 1] - low)) * SCALE[exponent];
    }
}
