package orbispace.app.view.song;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import javafx.geometry.HPos;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import orbispace.app.desk.SongModel;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.StepSize;
import orbispace.core.design.Section;
import orbispace.core.design.SongEdit;
import orbispace.core.design.Source;
import orbispace.core.design.SourceCell;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/** How some sources differ from section to section: a row for each section, a field for each. */
final class SourceSections extends GridPane {
    private static final List<Column> COLUMNS =
            List.of(
                    new Column(
                            "fader",
                            "fader dB",
                            "decibels like \u22122",
                            "dB",
                            0.5,
                            1,
                            SourceCell::faderDb,
                            SourceCell::withFader),
                    new Column(
                            "pan",
                            "pan %",
                            "percent to the right like 20",
                            "%",
                            0.05,
                            100,
                            SourceCell::panBy,
                            SourceCell::withPan),
                    new Column(
                            "width",
                            "width %",
                            "percent from 0 to 200",
                            "%",
                            0.05,
                            100,
                            SourceCell::widthScale,
                            SourceCell::withWidth),
                    new Column(
                            "within",
                            "beats",
                            "quarter notes like 2",
                            "x",
                            1,
                            1,
                            SourceCell::rampBeats,
                            SourceCell::withRamp));

    private static final double FIELD = 42;

    private final SongModel model;
    private final List<List<NumberField>> rows = new ArrayList<>();
    private List<String> shown = List.of();
    private List<Source> sources = List.of();

    /** A change of one number of a cell. */
    private interface Change {
        SourceCell of(SourceCell cell, double value);
    }

    /**
     * A number of a cell.
     *
     * @param head over its fields
     * @param step of an arrow key
     * @param scale of what is shown
     */
    private record Column(
            String name,
            String head,
            String accepted,
            String unit,
            double step,
            double scale,
            ToDoubleFunction<SourceCell> now,
            Change change) {}

    SourceSections(SongModel model) {
        super(6, 2);
        this.model = model;
        ColumnConstraints names = new ColumnConstraints();
        names.setHgrow(Priority.ALWAYS);
        names.setMinWidth(0);
        getColumnConstraints().add(names);
        for (int i = 0; i < COLUMNS.size(); i++) {
            ColumnConstraints numbers = new ColumnConstraints();
            numbers.setHalignment(HPos.LEFT);
            getColumnConstraints().add(numbers);
        }
    }

    /** Shows where some sources differ; where they are not alike, the first of them. */
    void show(List<Source> some) {
        sources = some;
        List<Section> sections = model.design().get().song().sections();
        List<String> names = sections.stream().map(Section::name).toList();
        if (!names.equals(shown)) {
            shown = names;
            build(names);
        }
        if (some.isEmpty()) {
            return;
        }
        for (int i = 0; i < sections.size(); i++) {
            SourceCell cell = sections.get(i).plan().source(some.getFirst().id());
            for (int c = 0; c < COLUMNS.size(); c++) {
                Column column = COLUMNS.get(c);
                double value = column.scale() * column.now().applyAsDouble(cell);
                boolean plain =
                        column.now().applyAsDouble(SourceCell.PLAIN) * column.scale() == value;
                NumberField field = rows.get(i).get(c);
                field.show(plain ? "\u2013" : words(column, value), "");
            }
        }
    }

    private static String words(Column column, double value) {
        boolean offset = column.now().applyAsDouble(SourceCell.PLAIN) == 0 && column.step() < 1;
        if (column.scale() != 1) {
            return (offset && value > 0 ? "+" : "") + Wording.number(value, 0);
        }
        return offset ? Wording.signed(value) : Wording.plain(value);
    }

    private void build(List<String> names) {
        getChildren().clear();
        rows.clear();
        for (int c = 0; c < COLUMNS.size() && !names.isEmpty(); c++) {
            Label head = new Label(COLUMNS.get(c).head());
            head.getStyleClass().add("caption");
            head.setMinWidth(USE_PREF_SIZE);
            add(head, c + 1, 0);
        }
        for (int i = 0; i < names.size(); i++) {
            Label name = new Label(names.get(i));
            name.getStyleClass().add("caption");
            add(name, 0, i + 1);
            List<NumberField> fields = new ArrayList<>();
            for (int c = 0; c < COLUMNS.size(); c++) {
                NumberField field = field(i, names.get(i), COLUMNS.get(c));
                fields.add(field);
                add(field, c + 1, i + 1);
            }
            rows.add(fields);
        }
    }

    private NumberField field(int section, String name, Column column) {
        NumberField field =
                new NumberField(
                        name + ": " + column.name(),
                        column.accepted(),
                        text -> {
                            OptionalDouble value = Entries.number(text, column.unit());
                            return value.isPresent()
                                    && set(section, column, value.getAsDouble() / column.scale());
                        },
                        (way, size) -> step(section, column, way, size),
                        model.problem()::set);
        field.withoutName();
        field.setMinWidth(FIELD);
        return field;
    }

    private void step(int section, Column column, int way, StepSize size) {
        List<Section> all = model.design().get().song().sections();
        if (!sources.isEmpty() && section < all.size()) {
            SourceCell cell = all.get(section).plan().source(sources.getFirst().id());
            double step =
                    column.step() * (size == StepSize.FINE ? 0.2 : size == StepSize.COARSE ? 4 : 1);
            double value = column.now().applyAsDouble(cell) + way * step;
            set(section, column, Math.rint(1000 * value) / 1000);
        }
    }

    private boolean set(int section, Column column, double value) {
        Set<String> ids = sources.stream().map(Source::id).collect(Collectors.toSet());
        String who = sources.size() == 1 ? sources.getFirst().name() : ids.size() + " stems";
        try {
            return model.edit(
                    SongEdit.moved(
                            model.design().get(),
                            section,
                            ids,
                            c -> column.change().of(c, value),
                            column.name() + " of " + who));
        } catch (IllegalArgumentException e) {
            model.problem().set(String.valueOf(e.getMessage()));
            return true;
        }
    }
}
