package orbispace.app.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.session.Clearance;
import orbispace.app.session.Session;
import orbispace.app.session.SpaceKinds;
import orbispace.core.clear.PairView;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.hearing.WetState;
import orbispace.files.Wording;

/** The returns as a list: name, times, and how much each is noticed in the chosen section. */
final class ReturnList extends VBox {
    private static final int ROOMY = 4;
    private static final PseudoClass CLOSE = PseudoClass.getPseudoClass("close");
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    private final Session session;
    private final VBox rows = new VBox();
    private final MenuButton adding = new MenuButton();
    private final Button drafting;
    private final List<ScalingCanvas> marks = new ArrayList<>();
    private Palette palette = Palette.DAY;

    ReturnList(Session session) {
        this.session = session;
        drafting = Plate.small("Draft", () -> session.drafting().start());
        getStyleClass().add("return-list");
        HBox head =
                new HBox(
                        caps("RETURNS", 156),
                        caps("predelay", 60),
                        caps("decay or note", 92),
                        caps("in the mix", 64),
                        adding,
                        drafting);
        adding.setText("Add");
        adding.setMinWidth(USE_PREF_SIZE);
        adding.setAccessibleText("add a return");
        adding.getStyleClass().add("kind-menu");
        for (SpaceKinds kind : SpaceKinds.values()) {
            MenuItem item = new MenuItem(kind.label());
            item.setOnAction(e -> session.field().add(kind));
            adding.getItems().add(item);
        }
        drafting.setAccessibleText("draft three fields");
        HBox.setMargin(drafting, new javafx.geometry.Insets(0, 0, 0, 4));
        getChildren().addAll(head, rows);
        session.design().addListener((o, was, is) -> refresh());
        session.selection().returnId().addListener((o, was, is) -> refresh());
        session.measured().clearance().addListener((o, was, is) -> refresh());
        session.transport().soloReturn().addListener((o, was, is) -> refresh());
        refresh();
    }

    private static Label caps(String text, double width) {
        Label label = new Label(text);
        label.getStyleClass().add(text.equals("RETURNS") ? "caps" : "caption");
        label.setMinWidth(width);
        return label;
    }

    void setPalette(Palette given) {
        palette = given;
        marks.forEach(m -> m.setPalette(given));
    }

    private void refresh() {
        rows.getChildren().clear();
        marks.clear();
        for (Return r : session.design().get().returns()) {
            rows.getChildren().add(row(r));
        }
        drafting.setDisable(!session.drafting().possible());
        adding.setDisable(!session.field().hasRoom());
        setPalette(palette);
    }

    private Pane row(Return r) {
        boolean close = session.design().get().returns().size() > ROOMY;
        SealMark seal =
                new SealMark(
                        r::id, close ? 9 : 12, r.id().equals(session.selection().returnId().get()));
        marks.add(seal);
        Label name = new Label(r.name());
        name.getStyleClass().add("row-name");
        Label kind = new Label(r.space().kindLabel());
        kind.getStyleClass().add("caption");
        VBox words = close ? new VBox(name) : new VBox(-2, name, kind);
        words.setAlignment(Pos.CENTER_LEFT);
        words.setMinWidth(112);
        words.setMaxWidth(112);
        Design design = session.design().get();
        Label predelay =
                number(
                        Wording.time(r.predelay().seconds(design.song().clock(), r.timedAtBar())),
                        60);
        Label decay = number(sizeOf(design, r), 92);
        Optional<WetState> state =
                Optional.ofNullable(session.measured().clearance().get())
                        .flatMap((Clearance c) -> c.pair(r.id()))
                        .map((PairView v) -> v.cover().state());
        StateBars bars = new StateBars(r.id(), state);
        marks.add(bars);
        Label stateWord =
                new Label(state.map(s -> s.name().toLowerCase(java.util.Locale.ROOT)).orElse(""));
        stateWord.getStyleClass().add("row-state");
        stateWord.setMinWidth(46);
        HBox content = new HBox(8, seal, words, predelay, decay, bars, stateWord);
        content.setAlignment(Pos.CENTER_LEFT);
        Button row = Plate.clip(new Button("", content));
        row.getStyleClass().add("return-row");
        row.pseudoClassStateChanged(CLOSE, close);
        row.setMaxWidth(Double.MAX_VALUE);
        row.setAccessibleText("return " + r.id() + " " + r.name());
        row.pseudoClassStateChanged(CHOSEN, r.id().equals(session.selection().returnId().get()));
        row.setOnAction(e -> session.selection().returnId().set(r.id()));
        HBox.setHgrow(row, javafx.scene.layout.Priority.ALWAYS);
        HBox whole = new HBox(4, row, solo(r));
        whole.setAlignment(Pos.CENTER_LEFT);
        return whole;
    }

    private ToggleButton solo(Return r) {
        ToggleButton solo =
                Plate.toggle("solo", "hear only return " + r.id() + " beside the sources");
        solo.getStyleClass().add("small");
        solo.pseudoClassStateChanged(CLOSE, session.design().get().returns().size() > ROOMY);
        solo.setSelected(r.id().equals(session.transport().soloReturn().get()));
        solo.setOnAction(
                e -> session.transport().soloReturn().set(solo.isSelected() ? r.id() : ""));
        return solo;
    }

    private static Label number(String text, double width) {
        Label label = new Label(text);
        label.getStyleClass().add("row-number");
        label.setMinWidth(width - 8);
        label.setMaxWidth(width - 8);
        return label;
    }

    /** What tells most of a space, in a few letters: its decay, its time or its wall. */
    static String sizeOf(Design design, Return r) {
        MusicalTime wall = r.gate() == null ? null : r.gate().length();
        if (wall != null) {
            return time(design, r, wall);
        }
        return switch (r.space()) {
            case Space.Reverb h -> Wording.seconds(h.decaySeconds());
            case Space.Gated g -> time(design, r, g.length());
            case Space.Convolution c -> "\u00d7" + Wording.number(c.midScale(), 2);
            case Space.Echo e -> time(design, r, e.time());
            case Space.Doubler d -> d.copies().size() + " copies";
            case Space.Split s ->
                    Wording.number(s.left().decaySeconds(), 1)
                            + " | "
                            + Wording.seconds(s.right().decaySeconds());
            case Space.Parallel p -> Wording.number(p.ratio(), 0) + ":1";
        };
    }

    private static String time(Design design, Return r, MusicalTime time) {
        return time.label()
                + "  "
                + Wording.time(time.seconds(design.song().clock(), r.timedAtBar()));
    }

    /** Four steps from hidden to obvious. */
    private static final class StateBars extends ScalingCanvas {
        private final String id;
        private final Optional<WetState> state;

        StateBars(String id, Optional<WetState> state) {
            this.id = id;
            this.state = state;
            setPrefSize(34, 18);
            setMinSize(34, 18);
            setMaxSize(34, 18);
        }

        @Override
        void paint(Pen pen, double w, double h) {
            for (int i = 0; i < 4; i++) {
                double height = 6 + 3.4 * i;
                boolean on =
                        state.isPresent()
                                && state.get().compareTo(List.of(WetState.values()).get(i)) >= 0;
                if (on) {
                    pen.g.setFill(pen.palette.ofReturn(id));
                    pen.g.fillRect(8 * i, 17 - height, 6, height);
                } else {
                    pen.g.setStroke(pen.palette.ink3);
                    pen.g.setLineWidth(1);
                    pen.g.strokeRect(8 * i + 0.5, Math.floor(17 - height) + 0.5, 5, height - 1);
                }
            }
        }
    }
}
