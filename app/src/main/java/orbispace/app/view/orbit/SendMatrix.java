package orbispace.app.view.orbit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.HPos;
import javafx.geometry.VPos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.OrbitModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.control.SealMark;
import orbispace.app.view.control.SendFields;
import orbispace.core.design.Design;
import orbispace.core.design.Group;
import orbispace.core.design.GroupEdit;
import orbispace.core.design.Groups;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.words.Entries;
import orbispace.core.words.ToldApart;
import orbispace.core.words.Wording;

/**
 * Every source into every return: levels drawn and typed; an empty cell is no send. A group stands
 * over its members, or for them where it is folded, and moves them all.
 */
final class SendMatrix extends VBox {
    private static final double FIRST_DB = -12;
    private static final double LEAST_DB = -60;
    private static final double ROOM = 350;
    private static final double NAMES = 86;
    private static final double LEAST_CELL = 31;
    private static final int NAME_LETTERS = 14;

    private final OrbitModel model;
    private final GridPane grid = new GridPane();
    private final Map<String, Cell> cells = new LinkedHashMap<>();
    private final List<ScalingCanvas> marks = new ArrayList<>();
    private Palette palette = Palette.DAY;
    private Object shape = "";

    SendMatrix(OrbitModel model) {
        this.model = model;
        grid.setVgap(1);
        ScrollPane scroll = new ScrollPane(grid);
        scroll.getStyleClass().add("cards");
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.AS_NEEDED);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().add(scroll);
        model.design().addListener((o, was, is) -> refresh());
        model.selection().folded().addListener((o, was, is) -> refresh());
        visibleProperty().addListener((o, was, is) -> refresh());
    }

    void setPalette(Palette given) {
        palette = given;
        marks.forEach(m -> m.setPalette(given));
    }

    /** What is not seen is not worked on. */
    private void refresh() {
        if (!isVisible()) {
            return;
        }
        Design design = model.design().get();
        Object now =
                List.of(
                        design.sources().stream()
                                .map(s -> s.id() + "/" + s.name() + "/" + s.group())
                                .toList(),
                        design.groups().stream().map(g -> g.name() + "/" + g.within()).toList(),
                        model.selection().folded().get(),
                        design.returns().stream().map(Return::id).toList());
        if (!now.equals(shape)) {
            shape = now;
            build(design);
        }
        cells.values().forEach(Cell::show);
    }

    private void build(Design design) {
        grid.getChildren().clear();
        cells.clear();
        marks.clear();
        for (int c = 0; c < design.returns().size(); c++) {
            Return r = design.returns().get(c);
            SealMark seal = new SealMark(r::id, 9, false);
            marks.add(seal);
            GridPane.setHalignment(seal, HPos.LEFT);
            grid.add(seal, c + 1, 0);
        }
        int columns = Math.max(1, design.returns().size());
        double width = Math.max(LEAST_CELL, Math.min(72, (ROOM - NAMES) / columns));
        Groups groups = Groups.of(design);
        Map<String, String> names =
                ToldApart.of(design.sources().stream().map(Source::name).toList(), NAME_LETTERS);
        Set<String> seen = new HashSet<>();
        int row = 1;
        for (Groups.Row of : groups.rows(design.sources(), model.selection().folded().get())) {
            for (Group group : groups.around(of.sources().getFirst()).reversed()) {
                List<Source> members = groups.members(group.name());
                if (members.size() > 1 && seen.add(group.name())) {
                    row(row++, head(group, members.size()), group.name(), members, width);
                }
                if (of.group().equals(Optional.of(group))) {
                    break;
                }
            }
            if (of.group().isEmpty()) {
                Source s = of.sources().getFirst();
                Label name = new Label(names.getOrDefault(s.name(), s.name()));
                name.setTooltip(new Tooltip(s.name()));
                name.getStyleClass().add("row-name");
                row(row++, name, s.id(), of.sources(), width);
            }
        }
        setPalette(palette);
    }

    /** The name of a group, which folds it and opens it again. */
    private Label head(Group group, int members) {
        boolean closed = model.selection().folded().get().contains(group.name());
        Label head =
                new Label((closed ? "\u25b8 " : "\u25be ") + group.name() + " (" + members + ")");
        head.getStyleClass().addAll("row-name", "group-name");
        head.setAccessibleText((closed ? "open " : "fold ") + group.name());
        head.setTooltip(new Tooltip(group.name()));
        head.setFocusTraversable(true);
        head.setOnMouseClicked(e -> model.selection().toggleFolded(group.name()));
        head.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                model.selection().toggleFolded(group.name());
                e.consume();
            }
        });
        return head;
    }

    private void row(int row, Label name, String key, List<Source> sources, double width) {
        name.setMinWidth(NAMES);
        name.setMaxWidth(NAMES);
        GridPane.setValignment(name, VPos.TOP);
        grid.add(name, 0, row);
        String spoken = name.getTooltip().getText();
        List<Return> returns = model.design().get().returns();
        for (int c = 0; c < returns.size(); c++) {
            Cell cell = new Cell(spoken, sources, returns.get(c).id(), width);
            cells.put(key + ">" + returns.get(c).id(), cell);
            grid.add(cell, c + 1, row);
        }
    }

    /** One source or group into one return. */
    private final class Cell extends VBox {
        private final Set<String> ids;
        private final String returnId;
        private final NumberField field;
        private final Bar bar = new Bar();
        private OptionalDouble db = OptionalDouble.empty();

        Cell(String name, List<Source> sources, String returnId, double width) {
            ids = sources.stream().map(Source::id).collect(Collectors.toUnmodifiableSet());
            this.returnId = returnId;
            field =
                    new NumberField(
                            name + " into " + returnId,
                            "a level like \u221212, or off",
                            this::typed,
                            (way, size) -> stepped(way * SendFields.stepOf(size)),
                            model.problem()::set);
            field.getStyleClass().addAll("bare", "dense");
            field.setMinWidth(width);
            field.setPrefWidth(width);
            bar.setPrefSize(width - 8, 4);
            bar.setMinSize(width - 8, 4);
            bar.setMaxSize(width - 8, 4);
            marks.add(bar);
            getChildren().addAll(field, bar);
        }

        private boolean typed(String text) {
            if (text.strip().equalsIgnoreCase("off") || text.strip().equals("-")) {
                return model.edit(new GroupEdit.SendTogether(ids, returnId, null));
            }
            OptionalDouble level = Entries.db(text);
            return level.isPresent() && set(level.getAsDouble());
        }

        private void stepped(double by) {
            set(db.isPresent() ? db.getAsDouble() + by : FIRST_DB);
        }

        private boolean set(double level) {
            if (ids.size() > 1) {
                return model.edit(new GroupEdit.SendTogether(ids, returnId, level));
            }
            String id = ids.iterator().next();
            return model.edit(
                    db.isPresent()
                            ? new ReturnEdit.SendLevel(returnId, id, level)
                            : new ReturnEdit.Sending(returnId, id, Send.of(level)));
        }

        private List<Source> sources() {
            return model.design().get().sources().stream()
                    .filter(s -> ids.contains(s.id()))
                    .toList();
        }

        void show() {
            db =
                    model.design()
                            .get()
                            .findReturn(returnId)
                            .map(r -> Groups.sendDb(sources(), r))
                            .orElse(OptionalDouble.empty());
            field.show(
                    db.isPresent()
                            ? Wording.number(db.getAsDouble(), db.getAsDouble() % 1 == 0 ? 0 : 1)
                            : "\u2013",
                    "");
            bar.repaint();
        }

        /** The level to scale, from \u221260 dB to 0. */
        private final class Bar extends ScalingCanvas {
            @Override
            protected void paint(Pen pen, double w, double h) {
                pen.across(0, w, h / 2, pen.palette.hair);
                if (db.isPresent()) {
                    double share = Math.clamp(1 - db.getAsDouble() / LEAST_DB, 0.02, 1);
                    pen.g.setFill(pen.palette.ofReturn(returnId));
                    pen.g.fillRect(0, 0, share * w, h);
                }
            }
        }
    }
}
