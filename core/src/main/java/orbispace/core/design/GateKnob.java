package orbispace.core.design;

import java.util.Objects;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;

/** The numbers of a gate, which a return has behind its space, and any of its sends. */
@SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
public enum GateKnob {
    /** Peak of the key at which it opens. */
    OPENS_AT(
            "opens at",
            Scale.decibels("gate threshold", -90, 0, 1, 0),
            Gate::thresholdDb,
            (g, v) -> g.withThreshold(v, g.hysteresisDb())),
    /** How far under that the key must fall before it may close. */
    HYSTERESIS(
            "hysteresis",
            Scale.decibels("gate hysteresis", 0, 40, 0.5, 1),
            Gate::hysteresisDb,
            (g, v) -> g.withThreshold(g.thresholdDb(), v)),
    /** How far it closes. */
    CLOSES_BY(
            "closes by",
            Scale.decibels("gate range", 0, 120, 3, 0),
            Gate::rangeDb,
            Gate::withRange),
    /** How fast it opens. */
    ATTACK(
            "attack",
            Scale.millis("gate attack", 0.1, 500, 0.5, 1),
            Gate::attackMillis,
            (g, v) -> g.withTimes(v, g.holdMillis(), g.releaseMillis())),
    /** How long it stays open. */
    HOLD(
            "hold",
            Scale.millis("gate hold", 0, 5000, 5, 0),
            Gate::holdMillis,
            (g, v) -> g.withTimes(g.attackMillis(), v, g.releaseMillis())),
    /** How fast it closes. */
    RELEASE(
            "release",
            Scale.millis("gate release", 1, 5000, 5, 0),
            Gate::releaseMillis,
            (g, v) -> g.withTimes(g.attackMillis(), g.holdMillis(), v)),
    /** Where the part of the key that it hears begins. */
    KEY_FROM("key from"),
    /** Where that ends. */
    KEY_TO("key to"),
    /** From each hit to where it has closed. */
    LENGTH("length");

    private final String label;
    private final @Nullable Scale scale;
    private final @Nullable ToDoubleFunction<Gate> now;
    private final @Nullable BiFunction<Gate, Double, Gate> with;

    GateKnob(
            String label,
            @Nullable Scale scale,
            @Nullable ToDoubleFunction<Gate> now,
            @Nullable BiFunction<Gate, Double, Gate> with) {
        this.label = label;
        this.scale = scale;
        this.now = now;
        this.with = with;
    }

    GateKnob(String label) {
        this(label, null, null, null);
    }

    /** The number of a return's own gate. */
    public Knob own() {
        return new On(this, "");
    }

    /** The number of the gate of one of its sends. */
    public Knob ofSend(String sourceId) {
        return new On(this, sourceId);
    }

    /** What a gate may not be. */
    void require(double value) {
        if (scale != null) {
            scale.require(value);
        }
    }

    /**
     * A number of one gate.
     *
     * @param number which
     * @param sendId source whose send it is on; empty for the return's own
     */
    public record On(GateKnob number, String sendId) implements Knob {
        @Override
        public String title() {
            return (sendId.isEmpty() ? "gate: " : "gate of " + sendId + ": ") + number.label;
        }

        @Override
        public String label() {
            return number.label;
        }

        @Override
        public Setting setting() {
            return Setting.GATE;
        }

        private @Nullable Gate gate(Return r) {
            if (sendId.isEmpty()) {
                return r.gate();
            }
            Send send = r.sends().get(sendId);
            return send == null ? null : send.gate();
        }

        private Edit edit(Return r, Gate gate) {
            return sendId.isEmpty()
                    ? new ReturnEdit.Gating(r.id(), gate)
                    : new ReturnEdit.Sending(
                            r.id(),
                            sendId,
                            Objects.requireNonNull(r.sends().get(sendId)).withGate(gate));
        }

        private Optional<Gate> found(Return r) {
            return Optional.ofNullable(gate(r));
        }

        @Override
        public Turn turn() {
            return switch (number) {
                case OPENS_AT, HYSTERESIS, CLOSES_BY, ATTACK, HOLD, RELEASE ->
                        plain(
                                Objects.requireNonNull(number.scale),
                                Objects.requireNonNull(number.now),
                                Objects.requireNonNull(number.with));
                case KEY_FROM -> key(true);
                case KEY_TO -> key(false);
                case LENGTH ->
                        new Turn.Time(
                                r -> sendId.isEmpty() && found(r).isPresent(),
                                r -> found(r).map(Gate::length).orElse(null),
                                "while it sounds",
                                (at, r, t) -> found(r).map(g -> edit(r, g.withLength(t))));
            };
        }

        private Turn plain(
                Scale scale, ToDoubleFunction<Gate> now, BiFunction<Gate, Double, Gate> with) {
            return new Turn.Plain(
                    scale,
                    r -> gate(r) != null,
                    r -> found(r).map(now::applyAsDouble).orElse(0.0),
                    r -> number == CLOSES_BY && shuts(r) ? "all" : "",
                    (at, r, v) -> found(r).map(g -> edit(r, with.apply(g, v))));
        }

        private boolean shuts(Return r) {
            return found(r).filter(g -> g.rangeDb() >= Gate.SILENT_DB).isPresent();
        }

        private Turn key(boolean high) {
            return new Turn.Corner(
                    r -> found(r).map(Gate::keyFilter).orElse(null),
                    high,
                    (at, r, f) -> found(r).map(g -> edit(r, g.withKeyFilter(f))));
        }
    }
}
