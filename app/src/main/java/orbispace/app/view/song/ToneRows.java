package orbispace.app.view.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SongModel;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.StepSize;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.design.Tone;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/** The small cuts and lifts in a stem's spectrum, each a row, and one more. */
final class ToneRows extends VBox {
    private static final Tone.Bell FIRST = new Tone.Bell(400, -2, 1);
    private static final double[] STEPS = {0.2, 1, 3};

    private final SongModel model;
    private final List<Row> rows = new ArrayList<>();
    private final Button add = Plate.small("Add a band", this::add);

    ToneRows(SongModel model) {
        super(4);
        this.model = model;
        add.setAccessibleText("add a band to the stem");
        getChildren().add(add);
    }

    private Optional<Source> source() {
        return model.design().get().findSource(model.selection().sourceId().get());
    }

    /** Shows the bands of a stem; rows are made anew only if there are more or fewer. */
    void show(Tone tone) {
        if (rows.size() != tone.bells().size()) {
            KeptFocus.through(this, () -> build(tone.bells().size()));
        }
        for (int i = 0; i < rows.size(); i++) {
            rows.get(i).show(tone.bells().get(i));
        }
    }

    private void build(int count) {
        getChildren().clear();
        rows.clear();
        for (int i = 0; i < count; i++) {
            Row row = row(i);
            rows.add(row);
            getChildren().add(row.line());
        }
        getChildren().add(add);
    }

    /** The numbers of a band. */
    private record Row(HBox line, NumberField hz, NumberField gain, NumberField octaves) {
        void show(Tone.Bell bell) {
            hz.show(Wording.hertz(bell.hz()), "");
            gain.show(Wording.signed(bell.gainDb()), "dB");
            octaves.show(Wording.number(bell.octaves(), 1), "oct");
        }
    }

    private Row row(int i) {
        NumberField hz =
                field(
                        i,
                        "band " + (i + 1),
                        "a frequency like 400 or 2.5 kHz",
                        Entries::hertz,
                        (b, v) -> new Tone.Bell(v, b.gainDb(), b.octaves()),
                        (b, by) -> Math.rint(b.hz() * Math.pow(2, by / 12)));
        NumberField gain =
                field(
                        i,
                        "gain",
                        "dB from \u22126 to 6",
                        Entries::db,
                        (b, v) -> new Tone.Bell(b.hz(), v, b.octaves()),
                        (b, by) -> tenths(b.gainDb() + by / 2));
        NumberField octaves =
                field(
                        i,
                        "wide",
                        "octaves from 0.2 to 4",
                        text -> Entries.number(text, "oct"),
                        (b, v) -> new Tone.Bell(b.hz(), b.gainDb(), v),
                        (b, by) -> tenths(b.octaves() + by / 5));
        Button out = Plate.small("\u00d7", () -> out(i));
        out.setAccessibleText("take out band " + (i + 1));
        HBox line = new HBox(12, hz, gain, octaves, Plate.spring(), out);
        line.setAlignment(Pos.CENTER_LEFT);
        return new Row(line, hz, gain, octaves);
    }

    private static double tenths(double value) {
        return Math.rint(10 * value) / 10;
    }

    private interface Reading {
        OptionalDouble of(String text);
    }

    /** A band with another number. */
    private interface Setting {
        Tone.Bell of(Tone.Bell bell, double value);
    }

    /** The number that an arrow key leads to. */
    private interface Stepping {
        double from(Tone.Bell bell, double by);
    }

    private NumberField field(
            int i,
            String name,
            String accepted,
            Reading reading,
            Setting setting,
            Stepping stepping) {
        return new NumberField(
                name,
                accepted,
                text -> {
                    OptionalDouble v = reading.of(text);
                    return v.isPresent() && change(i, b -> setting.of(b, v.getAsDouble()));
                },
                (way, size) -> change(i, b -> setting.of(b, stepping.from(b, way * step(size)))),
                model.problem()::set);
    }

    private static double step(StepSize size) {
        return switch (size) {
            case FINE -> STEPS[0];
            case PLAIN -> STEPS[1];
            case COARSE -> STEPS[2];
        };
    }

    /** What is out of range is said, and the band stays as it was. */
    private boolean change(int i, UnaryOperator<Tone.Bell> change) {
        try {
            return edit(bells -> bells.set(i, change.apply(bells.get(i))), "band");
        } catch (IllegalArgumentException e) {
            model.problem().set(String.valueOf(e.getMessage()));
            return true;
        }
    }

    private void out(int i) {
        edit(bells -> bells.remove(i), "take out band");
    }

    private void add() {
        edit(bells -> bells.add(FIRST), "add band");
    }

    private interface Change {
        void of(List<Tone.Bell> bells);
    }

    private boolean edit(Change change, String what) {
        Optional<Source> source = source();
        if (source.isEmpty()) {
            return false;
        }
        List<Tone.Bell> bells = new ArrayList<>(source.get().tone().bells());
        change.of(bells);
        Source changed = source.get().withTone(source.get().tone().withBells(bells));
        return model.edit(SourcesEdit.of(model.design().get(), changed, what));
    }
}
