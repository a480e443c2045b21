package orbispace.core.design;

import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;

/**
 * A number that only some kinds of space have. Before a colon of its title stands whose number it
 * is.
 */
public sealed interface SpaceKnob extends Knob permits TailKnob, ResponseKnob, EchoKnob, PressKnob {

    /** What it is. */
    Own own();

    /**
     * A number of some kinds of space.
     *
     * @param title what it is called among all numbers
     * @param setting what a lock of it is called
     * @param turn how it is read and turned
     * @param scale what it may be; null for a time
     */
    record Own(String title, Setting setting, Turn turn, @Nullable Scale scale) {
        static Own of(String title, Turn turn, Setting setting) {
            return new Own(title, setting, turn, null);
        }

        static <S extends Space> Own of(
                Class<S> kind,
                String title,
                Setting setting,
                Scale scale,
                ToDoubleFunction<S> now,
                Change<S> change) {
            return of(kind, title, setting, scale, now, s -> "", change);
        }

        static <S extends Space> Own of(
                Class<S> kind,
                String title,
                Setting setting,
                Scale scale,
                ToDoubleFunction<S> now,
                Function<S, String> instead,
                Change<S> change) {
            return new Own(
                    title,
                    setting,
                    new Turn.Plain(
                            scale,
                            r -> kind.isInstance(r.space()),
                            r -> now.applyAsDouble(kind.cast(r.space())),
                            r ->
                                    kind.isInstance(r.space())
                                            ? instead.apply(kind.cast(r.space()))
                                            : "",
                            (at, r, v) -> Optional.of(change.to(r, kind.cast(r.space()), v))),
                    scale);
        }
    }

    /**
     * Makes the edit that sets a number of a kind of space.
     *
     * @param <S> the kind
     */
    @FunctionalInterface
    interface Change<S> {
        /** The edit to a value. */
        Edit to(Return r, S space, double value);
    }

    /** Another space for a return; {@code what} says in words what of it changed. */
    static Edit space(Return r, Space space, String what) {
        return new ReturnEdit.Spatial(r.id(), space, what);
    }

    /** Refuses what such a number may not be. */
    default void require(double value) {
        Scale scale = own().scale();
        if (scale != null) {
            scale.require(value);
        }
    }

    @Override
    default String title() {
        return own().title();
    }

    @Override
    default String label() {
        return title().substring(title().indexOf(':') + 1).strip();
    }

    @Override
    default Setting setting() {
        return own().setting();
    }

    @Override
    default Turn turn() {
        return own().turn();
    }
}
