package orbispace.app.view.clear;

import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import orbispace.app.desk.ClearModel;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.StepSize;
import orbispace.core.design.Targets;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/** The least presence or bloom that is asked, as a number that can be typed and stepped. */
final class AskedNumber {
    private final ClearModel model;
    private final ToDoubleFunction<Targets> now;
    private final BiFunction<Targets, Double, Targets> with;
    private final double low;
    private final double high;
    private final double step;
    private final String name;
    private final NumberField field;

    private AskedNumber(
            ClearModel model,
            String name,
            String accepted,
            Function<String, OptionalDouble> read,
            ToDoubleFunction<Targets> now,
            BiFunction<Targets, Double, Targets> with,
            double low,
            double high,
            double step) {
        this.model = model;
        this.name = name;
        this.now = now;
        this.with = with;
        this.low = low;
        this.high = high;
        this.step = step;
        field =
                new NumberField(
                        "asked",
                        accepted,
                        text -> {
                            OptionalDouble typed = read.apply(text);
                            boolean fits =
                                    typed.isPresent()
                                            && typed.getAsDouble() >= low
                                            && typed.getAsDouble() <= high;
                            if (fits) {
                                ask(typed.getAsDouble());
                            }
                            return fits;
                        },
                        (direction, size) -> step(direction, size),
                        model.problem()::set);
    }

    static AskedNumber presence(ClearModel model) {
        return new AskedNumber(
                model,
                "asked presence",
                "percent like 85, from 0 to 100",
                Entries::percent,
                Targets::presence,
                Targets::withPresence,
                0,
                1,
                0.01);
    }

    static AskedNumber bloom(ClearModel model) {
        return new AskedNumber(
                model,
                "asked bloom",
                "decibels like \u221225, from \u221260 (any) to 0",
                Entries::db,
                Targets::bloomDb,
                Targets::withBloom,
                Targets.ANY_BLOOM,
                0,
                1);
    }

    NumberField field() {
        return field;
    }

    private Targets targets() {
        return model.clearing()
                .asking()
                .targets(model.selection().returnId().get())
                .orElse(Targets.LEAD);
    }

    private void step(int direction, StepSize size) {
        double by =
                switch (size) {
                    case FINE -> step;
                    case PLAIN -> step;
                    case COARSE -> 5 * step;
                };
        ask(Math.clamp(now.applyAsDouble(targets()) + direction * by, low, high));
    }

    private void ask(double value) {
        model.clearing()
                .asking()
                .want(model.selection().returnId().get(), with.apply(targets(), value));
    }

    void refresh() {
        double value = now.applyAsDouble(targets());
        boolean any = value <= low;
        String number = high == 1 ? Wording.number(100 * value, 0) : Wording.number(value, 0);
        String unit = high == 1 ? "%" : "dB";
        field.show(any ? "any" : number, any ? "" : unit);
        field.setAccessibleText(name + " " + (any ? "any" : number + " " + unit));
    }
}
