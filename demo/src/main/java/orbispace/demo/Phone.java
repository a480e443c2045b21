package orbispace.demo;

import java.util.HashMap;
import java.util.Map;

/**
 * A speech sound as the voice makes it.
 *
 * @param formants F1 to F4 in Hz
 * @param voicing level of the voiced part, 1 for vowels
 * @param seconds length of a consonant
 * @param nasalZeroHz zero of a nasal, 0 for none
 * @param noise noise class, or '-' for none
 * @param noiseLevel level of the noise
 * @param stop whether it closes and bursts
 */
@SuppressWarnings("ArrayRecordComponent") // Read only, inside this package.
record Phone(
        double[] formants,
        double voicing,
        double seconds,
        double nasalZeroHz,
        char noise,
        double noiseLevel,
        boolean stop) {
    private static final String VOWELS =
            "i 350 2450 3000 3750;I 450 2100 2850 3750;e 590 1950 2800 3700;a 800 1680 2700 3700;A"
                + " 830 1220 2750 3600;o 680 1060 2700 3600;O 520 860 2650 3550;U 460 1120 2600"
                + " 3550;u 380 1000 2550 3550;V 720 1320 2700 3650;@ 540 1500 2700 3650;3 530 1480"
                + " 2600 3600";

    /** Name, formants, voicing, seconds, nasal zero, noise class, noise level, stop. */
    private static final String CONSONANTS =
            "m 270 1000 2300 3500 .42 .080 1000 - 0 0;n 280 1650 2600 3600 .42 .075 1500 - 0 0;N"
                + " 280 2100 2600 3600 .40 .080 2200 - 0 0;l 370 1150 2850 3650 .62 .065 0 - 0 0;r"
                + " 380 1200 1750 3300 .60 .070 0 - 0 0;w 340 700 2400 3500 .55 .070 0 - 0 0;v 300"
                + " 1050 2400 3550 .34 .060 0 f .30 0;z 300 1700 2600 3650 .28 .075 0 s .55 0;D 300"
                + " 1400 2600 3600 .34 .050 0 f .25 0;s 400 1700 2650 3700 0 .105 0 s 1 0;f 400"
                + " 1050 2400 3600 0 .090 0 f .8 0;h 540 1500 2700 3650 0 .075 0 h .55 0;p 380 900"
                + " 2300 3500 0 .095 0 p .9 1;t 380 1800 2750 3700 0 .095 0 t 1 1;k 380 2100 2500"
                + " 3600 0 .100 0 k 1 1;C 380 1900 2700 3700 0 .130 0 S 1 0;b 230 900 2300 3500 .12"
                + " .065 0 p .45 1;d 230 1800 2750 3700 .12 .065 0 t .45 1;g 230 2100 2500 3600 .12"
                + " .065 0 k .45 1";

    private static final Map<Character, Phone> ALL = all();

    static Phone of(char name) {
        Phone phone = ALL.get(name);
        if (phone == null) {
            throw new IllegalArgumentException("no speech sound is written " + name);
        }
        return phone;
    }

    /** Start and end formants of a vowel or diphthong as written in the score. */
    static double[][] vowel(String written) {
        return switch (written) {
            case "oU" ->
                    new double[][] {
                        mix(of('V').formants, of('O').formants, 0.35), of('U').formants
                    };
            case "aI" ->
                    new double[][] {mix(of('A').formants, of('a').formants, 0.2), of('I').formants};
            case "eI" -> new double[][] {of('e').formants, of('I').formants};
            default ->
                    new double[][] {of(written.charAt(0)).formants, of(written.charAt(0)).formants};
        };
    }

    static double[] mix(double[] a, double[] b, double share) {
        double[] out = new double[a.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = a[i] + share * (b[i] - a[i]);
        }
        return out;
    }

    boolean nasal() {
        return nasalZeroHz > 0;
    }

    /** Nasals, l, r and w keep their own formants; the rest lean towards the neighbouring vowel. */
    boolean sonorant() {
        return voicing >= 0.40;
    }

    private static Map<Character, Phone> all() {
        Map<Character, Phone> all = new HashMap<>();
        for (String line : VOWELS.split(";")) {
            String[] p = line.split(" ");
            all.put(p[0].charAt(0), new Phone(formants(p), 1, 0, 0, '-', 0, false));
        }
        for (String line : CONSONANTS.split(";")) {
            String[] p = line.split(" ");
            all.put(
                    p[0].charAt(0),
                    new Phone(
                            formants(p),
                            Double.parseDouble(p[5]),
                            Double.parseDouble(p[6]),
                            Double.parseDouble(p[7]),
                            p[8].charAt(0),
                            Double.parseDouble(p[9]),
                            p[10].equals("1")));
        }
        return all;
    }

    private static double[] formants(String[] p) {
        return new double[] {
            Double.parseDouble(p[1]),
            Double.parseDouble(p[2]),
            Double.parseDouble(p[3]),
            Double.parseDouble(p[4])
        };
    }
}
