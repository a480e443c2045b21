package orbispace.app.view.orbit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.OrbitModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.control.StepSize;
import orbispace.core.clear.HeardDepth;
import orbispace.core.design.Design;
import orbispace.core.design.Groups;
import orbispace.core.design.Source;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/**
 * The sources from near to far, folded groups as one: how much of what is heard of each is its
 * space, and how bright that is. It can be dragged, stepped or typed; all its sends move with it.
 */
final class DepthPanel extends VBox {
    private static final double NEAREST = 1.0 / 128;
    private static final double FARTHEST = 4;

    private final OrbitModel model;
    private final VBox rows = new VBox(1);
    private final List<ScalingCanvas> marks = new ArrayList<>();
    private final Map<Groups.Row, NumberField> fields = new LinkedHashMap<>();
    private Palette palette = Palette.DAY;

    DepthPanel(OrbitModel model) {
        this.model = model;
        Label scale = new Label("near            wet as loud as dry            far");
        scale.getStyleClass().add("caption");
        HBox head = new HBox(scale);
        head.setAlignment(Pos.CENTER);
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("cards");
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        model.depths().heard().addListener((o, was, is) -> refresh());
        model.design().addListener((o, was, is) -> refresh());
        model.selection().folded().addListener((o, was, is) -> refresh());
        visibleProperty()
                .addListener((o, was, is) -> {
                    model.depths().wanted().set(is);
                    refresh();
                });
        refresh();
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
        List<Groups.Row> of =
                Groups.of(design).rows(design.sources(), model.selection().folded().get());
        if (!List.copyOf(fields.keySet()).equals(of)) {
            rows.getChildren().clear();
            fields.clear();
            marks.clear();
            of.forEach(r -> rows.getChildren().add(row(r)));
            setPalette(palette);
        }
        for (Groups.Row r : of) {
            OptionalDouble distance = model.depths().distance(r.sources());
            NumberField field = java.util.Objects.requireNonNull(fields.get(r));
            if (distance.isEmpty()) {
                field.show(model.depths().heard().get() == null ? "\u2026" : "dry", "");
            } else {
                double share = distance.getAsDouble() / (1 + distance.getAsDouble());
                field.show(
                        share < 0.001 ? "< 0.1 %" : Wording.percent(share, share < 0.0995 ? 1 : 0),
                        "");
            }
        }
        marks.forEach(ScalingCanvas::repaint);
    }

    private HBox row(Groups.Row r) {
        Label name = new Label(r.name());
        name.getStyleClass().add("row-name");
        name.setMinWidth(86);
        name.setMaxWidth(86);
        Axis axis = new Axis(r.sources());
        marks.add(axis);
        HBox.setHgrow(axis, Priority.ALWAYS);
        NumberField field =
                new NumberField(
                        "distance",
                        "how much of it is heard as space, such as 20 %",
                        text -> typed(r.sources(), Entries.percent(text)),
                        (direction, size) -> step(r.sources(), direction, size),
                        model.problem()::set);
        field.setMinWidth(64);
        field.getStyleClass().add("bare");
        fields.put(r, field);
        HBox row = new HBox(6, name, axis, field);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private boolean typed(List<Source> together, OptionalDouble share) {
        return share.isPresent()
                && share.getAsDouble() < 1
                && model.depths().place(together, share.getAsDouble() / (1 - share.getAsDouble()));
    }

    private void step(List<Source> together, int direction, StepSize size) {
        OptionalDouble distance = model.depths().distance(together);
        if (distance.isPresent()) {
            double db =
                    switch (size) {
                        case FINE -> 0.1;
                        case PLAIN -> 0.5;
                        case COARSE -> 3;
                    };
            model.depths().move(together, direction * db);
        }
    }

    /** What stands in one row, on its way from near to far. */
    private final class Axis extends ScalingCanvas {
        private final List<Source> together;

        Axis(List<Source> together) {
            this.together = together;
            setPrefSize(120, 28);
            setMinSize(60, 28);
            setMaxHeight(28);
            addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> drag(e.getX()));
            addEventHandler(MouseEvent.MOUSE_CLICKED, e -> drag(e.getX()));
        }

        private void drag(double x) {
            double share = Math.clamp((x - 6) / (getWidth() - 12), 0, 1);
            model.depths().place(together, NEAREST * Math.pow(FARTHEST / NEAREST, share));
        }

        @Override
        protected void paint(Pen pen, double w, double h) {
            pen.across(6, w - 6, h / 2, pen.palette.rule);
            double one = 6 + (w - 12) * Math.log(1 / NEAREST) / Math.log(FARTHEST / NEAREST);
            pen.upright(one, 4, h - 4, pen.palette.ink3);
            OptionalDouble middle = model.depths().distance(together);
            if (middle.isEmpty()) {
                pen.circle(6, h / 2, 4, pen.palette.disc, pen.palette.ink3, 1);
                return;
            }
            // Of a group each stands as a dot, and their middle as a ring.
            for (Source s : together.size() > 1 ? together : List.<Source>of()) {
                model.depths()
                        .distance(List.of(s))
                        .ifPresent(
                                d -> pen.circle(at(d, w), h / 2, 1.6, pen.palette.ink3, null, 0));
            }
            double x = at(middle.getAsDouble(), w);
            // The brighter its wet sound, the fuller the ring.
            double bright = Math.clamp(Math.log(brightHz() / 300) / Math.log(20), 0, 1);
            pen.line(6, h / 2, x, h / 2, pen.palette.ink, 1.4);
            pen.circle(x, h / 2, 6, pen.palette.card, pen.palette.ink, 1.4);
            pen.circle(x, h / 2, 5 * bright, pen.palette.ink, null, 0);
        }

        private double at(double distance, double w) {
            double seen = Math.clamp(distance, NEAREST, FARTHEST);
            return 6 + (w - 12) * Math.log(seen / NEAREST) / Math.log(FARTHEST / NEAREST);
        }

        private double brightHz() {
            HeardDepth heard = model.depths().heard().get();
            return together.stream()
                    .flatMap(s -> heard == null ? Stream.empty() : heard.depth(s.id()).stream())
                    .flatMapToDouble(d -> d.centroidHz().stream())
                    .average()
                    .orElse(1000);
        }
    }
}
