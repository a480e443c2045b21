package orbispace.demo;

import java.util.ArrayList;
import java.util.List;

/** The voice's controls every 2 ms, and its noise events, laid out from the lyrics. */
final class VoiceTrack {
    static final double STEP = 0.002;
    static final int STEPS = (int) (HarbourScore.SECONDS / STEP) + 1;

    /** A stretch of noise: class, level, begin and end in seconds, and whether it is a burst. */
    record Noise(char kind, double level, double start, double end, boolean burst) {}

    final double[][] formants = new double[4][STEPS];
    final double[] level = new double[STEPS];
    final double[] breath = new double[STEPS];
    final double[] nasal = new double[STEPS];
    final double[] nasalZero = new double[STEPS];
    final double[] cents = new double[STEPS];
    final double[] effort = new double[STEPS];
    final List<Noise> noises = new ArrayList<>();

    private final Chance chance;

    VoiceTrack(Chance chance) {
        this.chance = chance;
        java.util.Arrays.fill(nasalZero, 1500);
        for (int f = 0; f < 4; f++) {
            java.util.Arrays.fill(formants[f], Phone.of('@').formants()[f]);
        }
        List<Lyrics.Phrase> phrases = Lyrics.phrases();
        double lastEnd = 0;
        for (Lyrics.Phrase phrase : phrases) {
            lastEnd = layPhrase(phrase, lastEnd);
        }
        smooth();
    }

    /** Lays a phrase and answers when it ends. */
    private double layPhrase(Lyrics.Phrase phrase, double lastEnd) {
        List<Lyrics.Note> notes = phrase.notes();
        double[] starts = new double[notes.size()];
        for (int i = 0; i < starts.length; i++) {
            double late = Math.clamp(0.004 + chance.gaussian(0.008), -0.016, 0.020);
            starts[i] = HarbourScore.seconds(notes.get(i).beat()) + late;
        }
        double begin = starts[0] - onsetSeconds(notes.getFirst());
        double end = begin;
        for (int i = 0; i < starts.length; i++) {
            boolean last = i + 1 == starts.length;
            Lyrics.Note note = notes.get(i);
            double written = HarbourScore.seconds(note.beat() + note.beats());
            end =
                    last
                            ? written
                            : Math.min(written, starts[i + 1] - onsetSeconds(notes.get(i + 1)));
            layNote(phrase, note, i / Math.max(1.0, starts.length - 1.0), starts[i], end, last);
        }
        layPitch(phrase, starts, end);
        int from = step(begin - 0.3);
        int to = step(end + 0.3);
        java.util.Arrays.fill(effort, from, to, phrase.effort());
        breathe(begin, begin - lastEnd, phrase.levelDb());
        return end;
    }

    private static double onsetSeconds(Lyrics.Note note) {
        return note.onset().chars().mapToDouble(c -> Phone.of((char) c).seconds()).sum();
    }

    private void layNote(
            Lyrics.Phrase phrase,
            Lyrics.Note note,
            double place,
            double start,
            double end,
            boolean last) {
        double loud = Math.pow(10, phrase.levelDb() / 20);
        double[][] vowel = Phone.vowel(note.vowel());
        double at = start - onsetSeconds(note);
        boolean first = true;
        for (char c : note.onset().toCharArray()) {
            Phone phone = Phone.of(c);
            layConsonant(phone, c, at, at + phone.seconds(), vowel[0], loud, 1, !first);
            at += phone.seconds();
            first = false;
        }
        double wanted = 0;
        for (char c : note.coda().toCharArray()) {
            wanted += Phone.of(c).seconds() * 0.9 * (last ? 1.1 : 1);
        }
        double coda = Math.min(wanted, 0.55 * (end - start));
        layVowel(phrase, note, vowel, place, start, end - coda);
        at = end - coda;
        for (char c : note.coda().toCharArray()) {
            Phone phone = Phone.of(c);
            double seconds = phone.seconds() * 0.9 * (last ? 1.1 : 1) * coda / wanted;
            layConsonant(phone, c, at, at + seconds, vowel[1], loud, 0.5, false);
            at += seconds;
        }
    }

    private void layVowel(
            Lyrics.Phrase phrase,
            Lyrics.Note note,
            double[][] vowel,
            double place,
            double start,
            double end) {
        double beatInBar = note.beat() % 4;
        double onBeat = beatInBar % 2 == 0 ? 0.8 : 0;
        double stress = beatInBar % 1 != 0 ? -0.9 : onBeat;
        double arc = 1.6 * Math.sin(Math.PI * (0.15 + 0.85 * place)) - 0.8;
        double height = 0.12 * Math.max(0, Pitch.midi(note.pitch()) - Pitch.midi("G4"));
        double db = phrase.levelDb() + stress + arc + height;
        double glide = Math.min(0.30, 0.45 * (end - start));
        for (int i = step(start); i < step(end); i++) {
            double t = i * STEP;
            double share = Shape.raisedCosine((t - (end - glide)) / glide);
            for (int f = 0; f < 4; f++) {
                formants[f][i] = vowel[0][f] + share * (vowel[1][f] - vowel[0][f]);
            }
            double av = Math.pow(10, (db + swell((t - start) / (end - start), end - start)) / 20);
            level[i] = av;
            breath[i] = 0.035 * av;
            nasal[i] = 0;
        }
    }

    private static double swell(double share, double seconds) {
        if (seconds > 0.7) {
            return Shape.through(share, 0, -1.2, .45, .6, 1, -3);
        }
        return seconds > 0.35 ? Shape.through(share, 0, -.5, .30, .4, 1, -1.2) : 0;
    }

    private void layConsonant(
            Phone phone,
            char name,
            double start,
            double end,
            double[] vowel,
            double loud,
            double strength,
            boolean afterS) {
        double[] own = name == 'h' ? vowel : phone.formants();
        double[] target = phone.sonorant() ? own : Phone.mix(own, vowel, 0.28);
        for (int i = step(start); i < step(end); i++) {
            for (int f = 0; f < 4; f++) {
                formants[f][i] = target[f];
            }
            level[i] = phone.voicing() * loud;
            nasal[i] = phone.nasal() ? 1 : 0;
            if (phone.nasal()) {
                nasalZero[i] = phone.nasalZeroHz();
            }
            breath[i] = name == 'h' ? phone.noiseLevel() * loud : 0.02 * phone.voicing() * loud;
        }
        double noise = phone.noiseLevel() * Math.pow(loud, 0.6);
        if (phone.stop()) {
            noises.add(new Noise(phone.noise(), noise * strength, end - 0.012, end + 0.02, true));
            aspirate(name, end, afterS ? 0.012 : strength, loud);
        } else if (phone.noise() != '-' && phone.noise() != 'h') {
            double from = name == 'C' ? start + 0.055 : start;
            noises.add(new Noise(phone.noise(), noise, from, end + 0.012, false));
        }
    }

    private void aspirate(char name, double end, double strength, double loud) {
        double seconds =
                switch (name) {
                    case 'p' -> 0.040;
                    case 't' -> 0.050;
                    case 'k' -> 0.055;
                    default -> 0;
                };
        double length = strength == 0.012 ? 0.012 : seconds * strength;
        for (int i = step(end); i < step(end + length); i++) {
            breath[i] = Math.max(breath[i], 0.30 * loud);
        }
    }

    private void layPitch(Lyrics.Phrase phrase, double[] starts, double end) {
        List<Lyrics.Note> notes = phrase.notes();
        int from = step(starts[0] - 0.5);
        int to = step(end + 0.5);
        int note = 0;
        String onset = notes.getFirst().onset();
        boolean hard =
                !onset.isEmpty() && Phone.of(onset.charAt(onset.length() - 1)).noise() != '-';
        for (int i = from; i < to; i++) {
            double t = i * STEP;
            while (note + 1 < starts.length && t >= starts[note + 1] - 0.060) {
                note++;
            }
            double noteEnd = note + 1 < starts.length ? starts[note + 1] : end;
            double c = 100 * Pitch.midi(notes.get(note).pitch());
            c -= (hard ? 35 : 70) * Math.exp(-Math.max(0, t - starts[0]) / 0.055);
            c -= 35 * Shape.raisedCosine((t - end + 0.15) / 0.15);
            cents[i] = c;
            vibrato[i] = vibratoDepth(phrase.effort(), t - starts[note], noteEnd - starts[note]);
        }
    }

    /** Depth of the vibrato in cents, before it is turned. */
    final double[] vibrato = new double[STEPS];

    private static double vibratoDepth(double effort, double into, double seconds) {
        if (seconds <= 0.42) {
            return 0;
        }
        double grown = Math.clamp((into - 0.22) / 0.35, 0, 1);
        return (20 + 22 * effort) * grown * Math.min(1, seconds / 0.9);
    }

    private void breathe(double begin, double gap, double levelDb) {
        if (gap > 0.55) {
            double length = Math.min(0.42, 0.6 * gap);
            noises.add(
                    new Noise(
                            'B',
                            Math.pow(10, levelDb / 60),
                            begin - length - 0.03,
                            begin - 0.03,
                            false));
        }
    }

    private void smooth() {
        for (int f = 0; f < 4; f++) {
            formants[f] = hann(formants[f], 0.070);
        }
        System.arraycopy(hann(level, 0.030), 0, level, 0, STEPS);
        System.arraycopy(hann(breath, 0.024), 0, breath, 0, STEPS);
        System.arraycopy(hann(nasal, 0.030), 0, nasal, 0, STEPS);
        System.arraycopy(hann(cents, 0.085), 0, cents, 0, STEPS);
    }

    private static double[] hann(double[] x, double seconds) {
        int half = (int) Math.round(seconds / STEP / 2);
        double[] w = new double[2 * half + 1];
        double sum = 0;
        for (int k = 0; k < w.length; k++) {
            w[k] = Shape.raisedCosine(1 - Math.abs(k - half) / (half + 1.0));
            sum += w[k];
        }
        double[] out = new double[x.length];
        for (int i = 0; i < x.length; i++) {
            double y = 0;
            for (int k = -half; k <= half; k++) {
                y += w[k + half] * x[Math.clamp(i + k, 0, x.length - 1)];
            }
            out[i] = y / sum;
        }
        return out;
    }

    private static int step(double seconds) {
        return Math.clamp(Math.round(seconds / STEP), 0, STEPS - 1);
    }
}
