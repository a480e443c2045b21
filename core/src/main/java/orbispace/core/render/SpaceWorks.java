package orbispace.core.render;

import orbispace.core.design.MusicalTime;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.dynamics.DuckerSettings;
import orbispace.core.dynamics.GainComputer;
import orbispace.core.space.ConvolutionSettings;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.EngineSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ParallelSettings;
import orbispace.core.space.ReverbSettings;
import orbispace.core.space.SplitSettings;
import orbispace.core.time.SongClock;

/** Works out designed spaces: their note values at a bar, their responses from files. */
final class SpaceWorks {
    private static final double LEAST_GATED_SECONDS = 0.03;
    private static final double MOST_GATED_SECONDS = 4;
    private static final double LEAST_ECHO_SECONDS = 0.001;

    private final SongClock clock;
    private final Responses responses;

    SpaceWorks(SongClock clock, Responses responses) {
        this.clock = clock;
        this.responses = responses;
    }

    EngineSettings settings(Space space, int bar) {
        return switch (space) {
            case Space.Reverb r -> reverb(r);
            case Space.Gated g -> gated(g, bar);
            case Space.Convolution c -> new ConvolutionSettings(responses.of(c));
            case Space.Echo e -> echo(e, bar);
            case Space.Copies d -> new CopiesSettings(d.copies(), d.highPassHz(), d.centre());
            case SplitPair s -> new SplitSettings(side(s, true), side(s, false));
            case Space.Parallel p -> parallel(p);
        };
    }

    private static SplitSettings.Side side(SplitPair s, boolean left) {
        SplitPair.Place place = s.place(left);
        return new SplitSettings.Side(
                reverb(s.space(left)), place.laterMillis() / 1000, place.pan());
    }

    private static ReverbSettings reverb(Space.Reverb r) {
        return new ReverbSettings(
                r.kind(), r.decaySeconds(), r.lowRatio(), r.highRatio(), r.size(), r.character());
    }

    private GatedSettings gated(Space.Gated g, int bar) {
        double length =
                Math.clamp(g.length().seconds(clock, bar), LEAST_GATED_SECONDS, MOST_GATED_SECONDS);
        double fall = Math.min(g.fallMillis() / 1000, length / 2);
        return new GatedSettings(g.envelope(), length, fall, g.brightHz());
    }

    private EchoSettings echo(Space.Echo e, int bar) {
        return new EchoSettings(
                e.kind(),
                spacing(e.time(), bar),
                spacing(e.rightTime(), bar),
                e.feedback(),
                e.loop(),
                e.width());
    }

    private double spacing(MusicalTime time, int bar) {
        return Math.clamp(time.seconds(clock, bar), LEAST_ECHO_SECONDS, EchoSettings.MAX_SECONDS);
    }

    private static ParallelSettings parallel(Space.Parallel p) {
        return new ParallelSettings(
                new DuckerSettings(
                        new GainComputer(p.thresholdDb(), p.ratio(), p.kneeDb(), 60),
                        p.attackMillis() / 1000,
                        0,
                        p.releaseMillis() / 1000),
                p.makeUpDb());
    }
}
