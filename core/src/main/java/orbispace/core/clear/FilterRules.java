package orbispace.core.clear;

import java.util.Optional;
import orbispace.core.design.Filter;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.hearing.HearingModel;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;

/**
 * Filters behind the space. They tidy rather than uncover: a high-pass answers low wet energy, a
 * low-pass sibilance, a dip a clash that is narrow.
 */
final class FilterRules {
    private static final double[] HIGH_PASS_HZ = {
        80, 100, 125, 160, 180, 200, 220, 250, 280, 310, 350, 400
    };
    private static final double[] LOW_PASS_HZ = {
        9000, 8000, 7000, 6300, 5600, 5000, 4500, 4000, 3500, 3000
    };
    private static final int POLES = 2;
    private static final double DIP_DB = 3;
    private static final double MOST_DIP_DB = 6;
    private static final double DIP_OCTAVES = 1;
    private static final double NARROW_SHARE = 0.4;
    private static final double OPEN_HZ = 16000;
    private static final double MARGIN_DB = 1.5;

    private FilterRules() {}

    /** Too much of the return lies low. */
    static final class HighPass implements RemedyRule {
        @Override
        public Setting kind() {
            return Setting.HIGH_PASS;
        }

        @Override
        public Optional<Candidate> find(
                Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
            if (now.lowShare() <= targets.lowShare()) {
                return Optional.empty();
            }
            Filter.Corner old = q.ret().filterOut().highPass();
            double from = old == null ? 20 : old.hz();
            int poles = old == null ? POLES : old.poles();
            LowShare spectrum = analysis.spectrum(q.design(), q.ret(), job);
            double most = HIGH_PASS_HZ[HIGH_PASS_HZ.length - 1];
            for (double hz : HIGH_PASS_HZ) {
                Filter.Corner corner = new Filter.Corner(hz, poles);
                boolean enough = spectrum.shareThrough(corner, old) <= targets.lowShare();
                if (hz > from && (enough || hz == most)) {
                    return Optional.of(
                            Candidate.of(
                                            kind(),
                                            out(q, q.ret().filterOut().withHighPass(corner)),
                                            old == null
                                                    ? Wording.format("High-pass at %.0f Hz", hz)
                                                    : Wording.format(
                                                            "High-pass %.0f to %.0f Hz", from, hz),
                                            lows(now, targets))
                                    .costingOctaves(
                                            Math.log(hz / Math.max(40, from)) / Math.log(2)));
                }
            }
            return Optional.empty();
        }

        private static String lows(Standing now, Targets targets) {
            return Wording.format(
                    "%.0f %% of this return lies under 250 Hz; %.0f %% is enough for it",
                    100 * now.lowShare(), 100 * targets.lowShare());
        }
    }

    /** The return hisses along with the consonants. */
    static final class LowPass implements RemedyRule {
        @Override
        public Setting kind() {
            return Setting.LOW_PASS;
        }

        @Override
        public Optional<Candidate> find(
                Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
            if (!now.hisses(targets)) {
                return Optional.empty();
            }
            double is = now.sibilanceDb().orElseThrow();
            double over = now.overDb(targets);
            Filter filter = q.ret().filterOut();
            Filter.Corner old = filter.lowPass();
            double from = old == null ? OPEN_HZ : old.hz();
            int poles = old == null ? POLES : old.poles();
            double last = LOW_PASS_HZ[LOW_PASS_HZ.length - 1];
            for (double hz : LOW_PASS_HZ) {
                // The middle of 5 to 9 kHz, under both corners, tells what the band loses.
                double lost = lossDb(hz, poles) - lossDb(from, poles);
                if (hz < from && (lost >= over + MARGIN_DB || hz == last)) {
                    Filter.Corner set = new Filter.Corner(hz, poles);
                    return Optional.of(
                            Candidate.of(
                                            kind(),
                                            out(q, filter.withLowPass(set)),
                                            Wording.format(
                                                    old == null
                                                            ? "Low-pass at %2$.1f kHz"
                                                            : "Low-pass %1$.1f to %2$.1f kHz",
                                                    from / 1000,
                                                    hz / 1000),
                                            Wording.format(
                                                    "between 5 and 9 kHz the return lies %.1f dB %s"
                                                            + " the dry while it speaks; %.0f dB"
                                                            + " under is enough",
                                                    Math.abs(is),
                                                    is < 0 ? "under" : "over",
                                                    Math.abs(targets.sibilanceDb())))
                                    .costingOctaves(Math.log(from / hz) / Math.log(2)));
                }
            }
            return Optional.empty();
        }

        private static double lossDb(double corner, int poles) {
            return 10 * Math.log10(1 + Math.pow(6700 / corner, 2.0 * poles));
        }
    }

    /** Most of the clash lies within an octave. */
    static final class Dip implements RemedyRule {
        @Override
        public Setting kind() {
            return Setting.DIP;
        }

        @Override
        public Optional<Candidate> find(
                Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
            if (now.uncovers(targets)) {
                return Optional.empty();
            }
            double[] clashes = analysis.view(q, job).meter().clashesPerBand();
            int at = narrowest(clashes);
            double hz = Math.rint(HearingModel.centreHz(at) / 10) * 10;
            double share = shareAround(clashes, at);
            Filter filter = q.ret().filterOut();
            double old = filter.bellAt(hz).map(Filter.Band::depthDb).orElse(0.0);
            double depth = old <= 0 ? DIP_DB : Math.min(MOST_DIP_DB, old + 1.5);
            if (share < NARROW_SHARE || !filter.hasRoomFor(hz) || old >= depth) {
                return Optional.empty();
            }
            return Optional.of(
                    Candidate.of(
                                    kind(),
                                    out(
                                            q,
                                            filter.withBell(
                                                    Filter.Band.dip(hz, depth, DIP_OCTAVES))),
                                    Wording.format(
                                            "Dip %.0f Hz by %.1f dB, 1 octave wide", hz, depth),
                                    Wording.format(
                                            "%.0f %% of what clashes lies within an octave around"
                                                    + " %.0f Hz",
                                            100 * share, hz))
                            .costingOctaves(depth / MOST_DIP_DB));
        }

        private static int narrowest(double[] clashes) {
            int best = 0;
            for (int b = 1; b < clashes.length; b++) {
                best = shareAround(clashes, b) > shareAround(clashes, best) ? b : best;
            }
            return best;
        }

        /** Share of all clashing cells within half an octave of a band. */
        private static double shareAround(double[] clashes, int at) {
            double near = 0;
            double all = 0;
            for (int b = 0; b < clashes.length; b++) {
                double octaves =
                        Math.abs(Math.log(HearingModel.centreHz(b) / HearingModel.centreHz(at)))
                                / Math.log(2);
                near += octaves <= DIP_OCTAVES / 2 ? clashes[b] : 0;
                all += clashes[b];
            }
            return all == 0 ? 0 : near / all;
        }
    }

    private static ReturnEdit out(Question q, Filter filter) {
        return new ReturnEdit.FilterOut(q.returnId(), filter);
    }
}
