package orbispace.app.view.song;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import orbispace.app.desk.SongModel;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.StepSize;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/** The fader, the place and the width of the chosen stem. */
final class StemLevels extends HBox {
    private final SongModel model;
    private final NumberField gain;
    private final NumberField pan;
    private final NumberField width;

    StemLevels(SongModel model) {
        super(14);
        this.model = model;
        gain = gain();
        pan = pan();
        width = width();
        for (NumberField field : List.of(gain, pan, width)) {
            setHgrow(field, Priority.ALWAYS);
            getChildren().add(field);
        }
    }

    void show(Source s) {
        gain.show(Wording.number(s.gainDb(), 1), "dB");
        pan.show(Wording.number(100 * s.pan(), 0), "%");
        width.show(Wording.number(100 * s.tone().width(), 0), "%");
    }

    private Optional<Source> source() {
        return model.design().get().findSource(model.selection().sourceId().get());
    }

    private boolean edit(Optional<Source> changed, String what) {
        return changed.isPresent()
                && model.edit(SourcesEdit.of(model.design().get(), changed.get(), what));
    }

    private NumberField gain() {
        return new NumberField(
                "fader",
                "dB from \u221290 to 24, such as \u22123",
                text -> number(text, "dB", v -> source().map(s -> s.withGain(v)), "fader"),
                (way, size) -> stepGain(way, size),
                model.problem()::set);
    }

    private NumberField pan() {
        return new NumberField(
                "pan, % right",
                "percent from \u2212100 (left) to 100 (right)",
                text -> number(text, "%", v -> source().map(s -> s.withPan(v / 100)), "pan"),
                (way, size) -> stepPan(way, size),
                model.problem()::set);
    }

    private NumberField width() {
        return new NumberField(
                "width",
                "percent from 0 to 200",
                text ->
                        number(
                                text,
                                "%",
                                v -> source().map(s -> s.withTone(s.tone().withWidth(v / 100))),
                                "width"),
                (way, size) -> stepWidth(way, size),
                model.problem()::set);
    }

    private interface Changed {
        Optional<Source> by(double value);
    }

    private boolean number(String text, String unit, Changed change, String what) {
        OptionalDouble value = Entries.number(text, unit);
        try {
            return value.isPresent() && edit(change.by(value.getAsDouble()), what);
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private void stepGain(int way, StepSize size) {
        double step =
                switch (size) {
                    case FINE -> 0.1;
                    case PLAIN -> 1;
                    case COARSE -> 3;
                };
        edit(source().map(s -> s.withGain(Math.clamp(s.gainDb() + way * step, -90, 24))), "fader");
    }

    private void stepPan(int way, StepSize size) {
        double by = way * share(size);
        edit(source().map(s -> s.withPan(Math.clamp(s.pan() + by, -1, 1))), "pan");
    }

    private void stepWidth(int way, StepSize size) {
        double by = way * share(size);
        edit(
                source().map(s ->
                        s.withTone(s.tone().withWidth(Math.clamp(s.tone().width() + by, 0, 2)))),
                "width");
    }

    private static double share(StepSize size) {
        return switch (size) {
            case FINE -> 0.01;
            case PLAIN -> 0.05;
            case COARSE -> 0.25;
        };
    }
}
