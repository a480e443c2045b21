package orbispace.core.space;

/** The orthogonal mix of 16 lines: a fast Walsh-Hadamard transform over blocks of time. */
final class Hadamard {
    private Hadamard() {}

    static void mix(float[][] lines, int n) {
        for (int stride = 1; stride < lines.length; stride *= 2) {
            float scale = stride == 1 ? (float) (1 / Math.sqrt(lines.length)) : 1;
            for (int i = 0; i < lines.length; i++) {
                if ((i & stride) == 0) {
                    butterfly(lines[i], lines[i + stride], scale, n);
                }
            }
        }
    }

    private static void butterfly(float[] a, float[] b, float scale, int n) {
        for (int k = 0; k < n; k++) {
            float x = a[k] * scale;
            float y = b[k] * scale;
            a[k] = x + y;
            b[k] = x - y;
        }
    }
}
