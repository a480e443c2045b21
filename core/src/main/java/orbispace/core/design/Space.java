package orbispace.core.design;

import java.util.List;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbCharacter;
import orbispace.core.space.ReverbKind;

/** The engine of a return as it is designed, with musical times. */
public sealed interface Space
        permits Space.Reverb,
                Space.Gated,
                Space.Convolution,
                Space.Echo,
                Space.Copies,
                SplitPair,
                Space.Parallel {

    /**
     * A reverb that decays exponentially.
     *
     * @param kind how it begins
     * @param decaySeconds T60 of the middle band, 0.1 to 20
     * @param lowRatio T60 of the lows relative to it, 0.25 to 2
     * @param highRatio T60 of the highs relative to it, 0.1 to 2
     * @param size how large it is, relative to the kind's own, 0.5 to 2
     * @param character how it begins otherwise than its kind, and whether its tail moves
     */
    record Reverb(
            ReverbKind kind,
            double decaySeconds,
            double lowRatio,
            double highRatio,
            double size,
            ReverbCharacter character)
            implements Space {
        /** Checks the ranges. */
        public Reverb {
            TailKnob.DECAY.require(decaySeconds);
            TailKnob.LOWS.require(lowRatio);
            TailKnob.HIGHS.require(highRatio);
            TailKnob.SIZE.require(size);
        }

        /** A reverb that begins as its kind does, with a still tail. */
        public Reverb(
                ReverbKind kind,
                double decaySeconds,
                double lowRatio,
                double highRatio,
                double size) {
            this(kind, decaySeconds, lowRatio, highRatio, size, ReverbCharacter.of(kind));
        }

        /** The same reverb with another decay. */
        public Reverb withDecay(double seconds) {
            return new Reverb(kind, seconds, lowRatio, highRatio, size, character);
        }

        /** The same reverb of another size. */
        public Reverb withSize(double other) {
            return new Reverb(kind, decaySeconds, lowRatio, highRatio, other, character);
        }

        /** The same reverb with other lows and highs. */
        public Reverb withRatios(double low, double high) {
            return new Reverb(kind, decaySeconds, low, high, size, character);
        }

        /** The same reverb beginning otherwise. */
        public Reverb withCharacter(ReverbCharacter other) {
            return new Reverb(kind, decaySeconds, lowRatio, highRatio, size, other);
        }
    }

    /**
     * A gated reverb: dense noise that ends like a wall.
     *
     * @param envelope how its level runs until the wall
     * @param length from the sound to the wall, 30 ms to 4 s
     * @param fallMillis how long the last 40 dB take, 2 to 500, at most half the length
     * @param brightHz highs removed above it, 1,000 to 20,000
     */
    record Gated(
            GatedSettings.Envelope envelope, MusicalTime length, double fallMillis, double brightHz)
            implements Space {
        /** Checks the ranges. */
        public Gated {
            TailKnob.GATED_FALL.require(fallMillis);
            TailKnob.GATED_BRIGHT.require(brightHz);
        }

        /** The same falling in another time. */
        public Gated withFall(double millis) {
            return new Gated(envelope, length, millis, brightHz);
        }

        /** The same with another length. */
        public Gated withLength(MusicalTime other) {
            return new Gated(envelope, other, fallMillis, brightHz);
        }
    }

    /**
     * Convolution with an impulse response.
     *
     * @param file its sound file, in the project's folder unless absolute
     * @param startMillis taken away at its start, 0 to 10,000
     * @param keepMillis how much of it is kept from there, 0 for all, at most 60,000
     * @param lowScale decay of the lows relative to its own, 0.25 to 2
     * @param midScale decay of the middle relative to its own, 0.25 to 2
     * @param highScale decay of the highs relative to its own, 0.25 to 2
     */
    record Convolution(
            String file,
            double startMillis,
            double keepMillis,
            double lowScale,
            double midScale,
            double highScale)
            implements Space {
        /** Checks the ranges. */
        public Convolution {
            if (file.isBlank()) {
                throw new IllegalArgumentException("the impulse response has no file");
            }
            ResponseKnob.START.require(startMillis);
            ResponseKnob.KEEP.require(keepMillis);
            ResponseKnob.LOWS.require(lowScale);
            ResponseKnob.DECAY.require(midScale);
            ResponseKnob.HIGHS.require(highScale);
        }

        /** The same response decaying otherwise. */
        public Convolution withScales(double low, double mid, double high) {
            return new Convolution(file, startMillis, keepMillis, low, mid, high);
        }
    }

    /**
     * An echo.
     *
     * @param kind how its arrivals go between the sides
     * @param time to the first arrival and between arrivals; of the left side, for a stereo pair
     * @param rightTime the same of the right side, for a stereo pair; otherwise not used
     * @param feedback level of each arrival relative to the one before, 0 to 0.95
     * @param loop what happens in the feedback loop
     * @param width how far apart the sides are, 0 to 1
     */
    record Echo(
            EchoSettings.Kind kind,
            MusicalTime time,
            MusicalTime rightTime,
            double feedback,
            EchoSettings.Loop loop,
            double width)
            implements Space {
        /** Checks the ranges. */
        public Echo {
            if (feedback >= 1) {
                throw new IllegalArgumentException(
                        "feedback " + feedback + " would grow without end; it must stay under 1");
            }
            EchoKnob.FEEDBACK.require(feedback);
            EchoKnob.SIDES.require(width);
        }

        /** An echo that alternates between the sides, with two filters in its loop. */
        public static Echo pingPong(
                MusicalTime time,
                double feedback,
                double loopHighPassHz,
                double loopLowPassHz,
                double width) {
            return new Echo(
                    EchoSettings.Kind.PING_PONG,
                    time,
                    time,
                    feedback,
                    EchoSettings.Loop.filters(loopHighPassHz, loopLowPassHz),
                    width);
        }

        /** The same echo at another time; a stereo pair keeps its right time. */
        public Echo withTime(MusicalTime other) {
            MusicalTime right = kind == EchoSettings.Kind.PAIR ? rightTime : other;
            return new Echo(kind, other, right, feedback, loop, width);
        }

        /** The same echo with another right time. */
        public Echo withRightTime(MusicalTime other) {
            return new Echo(kind, time, other, feedback, loop, width);
        }

        /** The same echo with another feedback. */
        public Echo withFeedback(double other) {
            return new Echo(kind, time, rightTime, other, loop, width);
        }

        /** The same echo with another loop. */
        public Echo withLoop(EchoSettings.Loop other) {
            return new Echo(kind, time, rightTime, feedback, other, width);
        }

        /** The same echo with its sides further apart or closer. */
        public Echo withWidth(double other) {
            return new Echo(kind, time, rightTime, feedback, loop, other);
        }

        /** The same echo of another kind; one that begins to alternate does so hard. */
        public Echo withKind(EchoSettings.Kind other) {
            boolean begins = other == EchoSettings.Kind.PING_PONG && kind != other;
            return new Echo(other, time, rightTime, feedback, loop, begins ? 1 : width);
        }
    }

    /**
     * Short detuned copies.
     *
     * @param copies one to four of them
     * @param highPassHz lows removed from the copies, 20 to 1,000
     * @param centre false to take away what they have in the middle
     */
    record Copies(List<CopiesSettings.Voice> copies, double highPassHz, boolean centre)
            implements Space {
        /** How many there can be. */
        public static final int MOST_COPIES = 4;

        /** Checks the ranges. */
        public Copies {
            copies = List.copyOf(copies);
            Ranges.require("number of copies", copies.size(), 1, MOST_COPIES);
            EchoKnob.COPIES_HIGH_PASS.require(highPassHz);
        }

        /** Other copies. */
        public Copies withCopies(List<CopiesSettings.Voice> other) {
            return new Copies(other, highPassHz, centre);
        }
    }

    /**
     * No time at all: a compressor, for thickening or brightening under the dry.
     *
     * @param thresholdDb -90 to 0 dBFS
     * @param ratio 1 to 100
     * @param kneeDb 0 to 24
     * @param attackMillis 0.5 to 1,000
     * @param releaseMillis 5 to 5,000
     * @param makeUpDb 0 to 24
     */
    record Parallel(
            double thresholdDb,
            double ratio,
            double kneeDb,
            double attackMillis,
            double releaseMillis,
            double makeUpDb)
            implements Space {
        /** Checks the ranges. */
        public Parallel {
            PressKnob.OVER.require(thresholdDb);
            PressKnob.RATIO.require(ratio);
            Ranges.require("knee", kneeDb, 0, 24);
            PressKnob.ATTACK.require(attackMillis);
            PressKnob.RELEASE.require(releaseMillis);
            PressKnob.MAKE_UP.require(makeUpDb);
        }
    }

    /** A hall of its kind's own size. */
    static Reverb hall(double decaySeconds, double lowRatio, double highRatio) {
        return new Reverb(ReverbKind.HALL, decaySeconds, lowRatio, highRatio, 1);
    }

    /** What there is to know of it without knowing its kind. */
    default SpaceTraits traits() {
        return SpaceTraits.of(this);
    }

    /** The kind in words. */
    default String kindLabel() {
        return traits().label();
    }
}
