package orbispace.core.space;

/** Prime delay lengths, so that the repetitions of two lines seldom meet. */
final class Primes {
    private Primes() {}

    /** The smallest prime not below a number. */
    static int from(int least) {
        int n = Math.max(2, least);
        while (!isPrime(n)) {
            n++;
        }
        return n;
    }

    private static boolean isPrime(int n) {
        for (int d = 2; d * d <= n; d++) {
            if (n % d == 0) {
                return false;
            }
        }
        return true;
    }
}
