package orbispace.app.view.chain;

import java.util.List;
import orbispace.core.design.GateKnob;

/** The numbers of gates, in the order of their cards. */
final class GateRows {
    static final List<GateKnob> OWN =
            List.of(
                    GateKnob.OPENS_AT,
                    GateKnob.HYSTERESIS,
                    GateKnob.ATTACK,
                    GateKnob.LENGTH,
                    GateKnob.RELEASE,
                    GateKnob.CLOSES_BY,
                    GateKnob.KEY_FROM,
                    GateKnob.KEY_TO);
    static final List<GateKnob> OF_SEND =
            List.of(
                    GateKnob.OPENS_AT,
                    GateKnob.HYSTERESIS,
                    GateKnob.CLOSES_BY,
                    GateKnob.ATTACK,
                    GateKnob.HOLD,
                    GateKnob.RELEASE,
                    GateKnob.KEY_FROM,
                    GateKnob.KEY_TO);

    private GateRows() {}
}
