package orbispace.core.clear;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.HearingModel;
import orbispace.core.hearing.Passages;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;

/**
 * Makes room between dry sources that fight in the same place: a dip of at most 3 dB in one or in
 * both, each where the other needs it, or a pan apart. A move is only proposed if what was rendered
 * with it shows a gain of the first source that is worth what it costs the second.
 */
public final class RoomFinder {
    private static final double FIGHTS_BELOW = 0.9;
    private static final double SAME_PLACE = 0.5;
    private static final double DIP_DB = 3;
    private static final double DIP_OCTAVES = 1;
    private static final double LEAST_GAIN = 0.015;
    private static final double MOST_LOSS = 1.5;
    private static final double MOST_LOSS_OF_LEAD = 0.5;
    private static final double PAN_STEP = 0.35;
    private static final int MOST_DIPS = 4;
    private static final int MOST_FOES = 3;

    private final CoverAnalysis analysis;
    private final Question question;
    private final Job job;

    private RoomFinder(CoverAnalysis analysis, Question question, Job job) {
        this.analysis = analysis;
        this.question = question;
        this.job = job;
    }

    /** Two sources that fight, and everything else. */
    private record Fight(
            Source first, Source second, TwoEars one, TwoEars two, TwoEars rest, BitSet frames) {}

    /**
     * Moves that make room between the source of a question and those it fights with, most gain
     * first; none where nothing helps.
     */
    public static List<RoomMove> find(CoverAnalysis analysis, Question q, Job job) {
        return new RoomFinder(analysis, q, job).moves();
    }

    private List<RoomMove> moves() {
        Design design = question.design();
        List<Source> layers = design.layersOf(question.source());
        List<RoomMove> all = new ArrayList<>();
        design.sources().stream()
                .filter(s -> !layers.contains(s))
                .flatMap(s -> fight(s).stream())
                .sorted(Comparator.comparingDouble((Fight f) -> kept(f).first()))
                .limit(MOST_FOES)
                .forEach(f -> all.addAll(moves(f)));
        all.sort(Comparator.comparingDouble(RoomMove::gain).reversed());
        return all;
    }

    private Optional<Fight> fight(Source other) {
        job.check();
        Source own = question.source();
        TwoEars one = analysis.song().ears(own);
        TwoEars two = analysis.song().ears(other);
        BitSet frames = analysis.speaking(question);
        Passages others = Passages.ofLoudness(two.left().plus(two.right()));
        frames.and(others.speaking());
        if (frames.isEmpty() || Math.abs(one.place(frames) - two.place(frames)) > SAME_PLACE) {
            return Optional.empty();
        }
        TwoEars rest = analysis.song().earsBut(question.design(), List.of(own, other), job);
        Fight fight = new Fight(own, other, one, two, rest, frames);
        return kept(fight).first() < FIGHTS_BELOW ? Optional.of(fight) : Optional.empty();
    }

    private List<RoomMove> moves(Fight f) {
        List<RoomMove> moves = new ArrayList<>();
        Optional<Source> second = dipped(f.second, f.one, f.two, f);
        Optional<Source> first = dipped(f.first, f.two, f.one, f);
        second.ifPresent(s -> add(moves, f, f.first, s));
        if (first.isPresent() && second.isPresent()) {
            add(moves, f, first.get(), second.get());
        }
        double away = f.two.place(f.frames) >= f.one.place(f.frames) ? 1 : -1;
        for (double side : new double[] {away, -away}) {
            double pan = Math.clamp(f.second.pan() + side * PAN_STEP, -1, 1);
            add(moves, f, f.first, f.second.withPan(pan));
        }
        return moves;
    }

    /**
     * The source with a dip where another loses most to it for what it is heard there itself; empty
     * if it has one there already.
     */
    private Optional<Source> dipped(Source source, TwoEars other, TwoEars own, Fight f) {
        double[] loss = other.lossPerBand(f.rest, own, analysis.roomPower(), f.frames);
        double[] has = own.heardPerBand(f.rest.plus(other), analysis.roomPower(), f.frames);
        for (int b = 0; b < loss.length; b++) {
            loss[b] -= has[b];
        }
        int worst = 0;
        for (int b = 1; b < loss.length - 1; b++) {
            worst = around(loss, b) > around(loss, Math.max(1, worst)) ? b : worst;
        }
        double hz = rounded(HearingModel.centreHz(Math.max(1, worst)));
        boolean there =
                source.dips().stream()
                        .anyMatch(d -> Math.abs(Math.log(d.hz() / hz)) < Math.log(2) * DIP_OCTAVES);
        if (there || source.dips().size() >= MOST_DIPS) {
            return Optional.empty();
        }
        List<Filter.Dip> dips = new ArrayList<>(source.dips());
        dips.add(new Filter.Dip(hz, DIP_DB, DIP_OCTAVES));
        return Optional.of(source.withDips(dips));
    }

    private static double around(double[] loss, int b) {
        return loss[b - 1] + loss[b] + loss[b + 1];
    }

    private static double rounded(double hz) {
        double step = Math.pow(10, Math.floor(Math.log10(hz)) - 1);
        return Math.rint(hz / step) * step;
    }

    private void add(List<RoomMove> moves, Fight f, Source first, Source second) {
        job.check();
        RoomMove.Kept before = kept(f);
        TwoEars one = first.equals(f.first) ? f.one : ears(changed(f.first, first), analysis.ear());
        TwoEars two =
                second.equals(f.second) ? f.two : ears(changed(f.second, second), analysis.ear());
        RoomMove.Kept after = kept(f, one, two);
        RoomMove move =
                new RoomMove(
                        List.of(first, second),
                        words(f.first, first) + words(f.second, second),
                        Wording.format(
                                "both sound in the same place, and beside %s only %.0f %% of %s is"
                                        + " heard",
                                f.second.name(), 100 * before.first(), f.first.name()),
                        f.first,
                        f.second,
                        before,
                        after);
        double firstGain = after.first() - before.first();
        double secondGain = after.second() - before.second();
        double mayLose = f.second.role() == Role.LEAD ? MOST_LOSS_OF_LEAD : MOST_LOSS;
        if (firstGain > LEAST_GAIN && secondGain > -mayLose * firstGain && move.gain() > 0) {
            moves.add(move);
        }
    }

    /** The sound of a source that is changed, from the one that is laid. */
    private Audio changed(Source was, Source is) {
        Audio dry = analysis.renderer().dry(was.withPan(is.pan()));
        List<Filter.Dip> more = new ArrayList<>(is.dips());
        more.removeAll(was.dips());
        return Source.dipped(dry, more);
    }

    private static String words(Source was, Source is) {
        List<Filter.Dip> more = new ArrayList<>(is.dips());
        more.removeAll(was.dips());
        if (!more.isEmpty()) {
            Filter.Dip dip = more.getFirst();
            return Wording.format(
                    "%s %.0f dB less around %.0f Hz. ", is.name(), dip.depthDb(), dip.hz());
        }
        return was.pan() == is.pan()
                ? ""
                : Wording.format(
                        "%s from %s to %s. ", is.name(), place(was.pan()), place(is.pan()));
    }

    private static String place(double pan) {
        return pan == 0
                ? "the middle"
                : Wording.format("%.0f %% %s", 100 * Math.abs(pan), pan < 0 ? "left" : "right");
    }

    private RoomMove.Kept kept(Fight f) {
        return kept(f, f.one, f.two);
    }

    /** What is kept of both beside one another, of what they were beside the rest alone. */
    private RoomMove.Kept kept(Fight f, TwoEars one, TwoEars two) {
        double room = analysis.roomPower();
        double alone = f.one.heard(f.rest, room, f.frames);
        double other = f.two.heard(f.rest, room, f.frames);
        return new RoomMove.Kept(
                alone <= 0 ? 1 : one.heard(f.rest.plus(two), room, f.frames) / alone,
                other <= 0 ? 1 : two.heard(f.rest.plus(one), room, f.frames) / other);
    }

    /** Both channels as two ears. */
    static TwoEars ears(Audio audio, Ear ear) {
        double rate = audio.sampleRateHz();
        return new TwoEars(
                ear.hear(Audio.of(rate, audio.channel(0))),
                ear.hear(Audio.of(rate, audio.channel(1))));
    }
}
