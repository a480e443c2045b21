package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.words.Wording;

/** What the measures say to words about distance and share. */
final class PlaceWords {
    private static final double NEAR_MILLIS = 25;

    private PlaceWords() {}

    static EarRow tooFar(EarEvidence e) {
        boolean early = e.predelayMillis() < NEAR_MILLIS;
        boolean loud = e.standing.cover().state().compareTo(WetState.HEARD) >= 0;
        List<Candidate> answers = new ArrayList<>();
        if (early && e.ret().space() instanceof Space.Reverb) {
            answers.add(EarAnswers.predelay(e, e.predelayMillis() + 25));
        }
        if (loud) {
            answers.add(EarAnswers.level(e, -2));
        }
        return new EarRow(
                early && loud,
                Wording.format(
                        "the space answers after %.0f ms and has %.1f %% of the loudness (%s);"
                                + " within %.0f ms it moves the source back",
                        e.predelayMillis(),
                        100 * e.standing.cover().wetShare(),
                        e.standing.cover().state().label(),
                        NEAR_MILLIS),
                0,
                0,
                e.worstPhrases(),
                answers);
    }

    static EarRow tooNear(EarEvidence e) {
        boolean is = e.standing.state() == WetState.HIDDEN;
        return new EarRow(
                is,
                Wording.format(
                        "the wet has %.2f %% of the loudness and is %s; where it is hidden, under"
                                + " %.1f %% and no wider, the source stands at the front",
                        100 * e.standing.cover().wetShare(),
                        e.standing.stateWords(),
                        100 * e.standing.cover().borders().from(WetState.FELT)),
                0,
                0,
                List.of(),
                is ? EarAnswers.noticedAs(e, WetState.FELT) : List.of());
    }

    static EarRow noticed(EarEvidence e, Targets t, boolean over) {
        WetState state = over ? e.standing.cover().state() : e.standing.state();
        int side = state.compareTo(t.state());
        boolean is = over ? side > 0 : side < 0;
        return new EarRow(
                is,
                Wording.format(
                        "it has %.1f %% of the loudness and is %s; %s was asked",
                        100 * e.standing.cover().wetShare(),
                        e.standing.stateWords(),
                        t.state().label()),
                0,
                0,
                e.gapsHere(),
                is ? EarAnswers.noticedAs(e, t.state()) : List.of());
    }
}
