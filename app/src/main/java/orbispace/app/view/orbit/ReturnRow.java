package orbispace.app.view.orbit;

import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.OrbitModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.song.Clearance;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.control.SealMark;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.hearing.WetState;
import orbispace.core.words.Wording;
import orbispace.files.sheet.SpaceWording;

/** One return in the list: its seal, name, times, how much it is noticed, its solo and mute. */
final class ReturnRow extends HBox {
    private static final PseudoClass CLOSE = PseudoClass.getPseudoClass("close");
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    final String id;
    private final OrbitModel model;
    private final SealMark seal;
    private final Label name = new Label();
    private final Label kind = new Label();
    private final Label predelay = number(60);
    private final Label decay = number(92);
    private final StateBars bars = new StateBars();
    private final Label stateWord = new Label();
    private final Button row;
    private final ToggleButton solo;
    private final ToggleButton mute;
    private boolean chosen;

    ReturnRow(OrbitModel model, String id, boolean close) {
        super(4);
        this.model = model;
        this.id = id;
        seal = new SealMark(() -> id, close ? 9 : 12, () -> chosen);
        name.getStyleClass().add("row-name");
        kind.getStyleClass().add("caption");
        VBox words = close ? new VBox(name) : new VBox(-2, name, kind);
        words.setAlignment(Pos.CENTER_LEFT);
        words.setMinWidth(106);
        words.setMaxWidth(106);
        stateWord.getStyleClass().add("row-state");
        stateWord.setMinWidth(46);
        HBox content = new HBox(8, seal, words, predelay, decay, bars, stateWord);
        content.setAlignment(Pos.CENTER_LEFT);
        row = Plate.clip(new Button("", content));
        row.getStyleClass().add("return-row");
        row.pseudoClassStateChanged(CLOSE, close);
        row.setMaxWidth(Double.MAX_VALUE);
        row.setOnAction(e -> model.selection().returnId().set(id));
        HBox.setHgrow(row, Priority.ALWAYS);
        var set = model.transport().set();
        solo = Plate.toggle("solo", "hear return " + id + " with the other returns turned down");
        solo.setOnAction(e -> set.set(set.get().soloReturn(id, solo.isSelected())));
        mute = Plate.toggle("mute", "do not hear return " + id);
        mute.setOnAction(e -> set.set(set.get().muteReturn(id, mute.isSelected())));
        for (ToggleButton b : List.of(solo, mute)) {
            b.getStyleClass().add("small");
            b.pseudoClassStateChanged(CLOSE, close);
        }
        setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(row, solo, mute);
    }

    void setPalette(Palette palette) {
        seal.setPalette(palette);
        bars.setPalette(palette);
    }

    void refresh() {
        Design design = model.design().get();
        Optional<Return> found = design.findReturn(id);
        if (found.isEmpty()) {
            return;
        }
        Return r = found.get();
        name.setText(r.name());
        kind.setText(r.space().kindLabel());
        predelay.setText(Wording.time(r.predelay().seconds(design.song().clock(), r.timedAtBar())));
        decay.setText(new SpaceWording(design, r).size());
        Optional<WetState> state =
                Optional.ofNullable(model.measured().clearance().get())
                        .flatMap((Clearance c) -> c.state(id));
        bars.show(state);
        stateWord.setText(state.map(WetState::label).orElse(""));
        boolean now = id.equals(model.selection().returnId().get());
        if (now != chosen) {
            chosen = now;
            seal.repaint();
        }
        row.pseudoClassStateChanged(CHOSEN, chosen);
        row.setAccessibleText("return " + id + " " + r.name());
        solo.setSelected(model.transport().set().get().soloedReturns().contains(id));
        mute.setSelected(model.transport().set().get().mutedReturns().contains(id));
    }

    private static Label number(double width) {
        Label label = new Label();
        label.getStyleClass().add("row-number");
        label.setMinWidth(width - 8);
        label.setMaxWidth(width - 8);
        return label;
    }

    /** Four steps from hidden to obvious. */
    private final class StateBars extends ScalingCanvas {
        private Optional<WetState> state = Optional.empty();

        StateBars() {
            setPrefSize(34, 18);
            setMinSize(34, 18);
            setMaxSize(34, 18);
        }

        void show(Optional<WetState> now) {
            if (!now.equals(state)) {
                state = now;
                repaint();
            }
        }

        @Override
        protected void paint(Pen pen, double w, double h) {
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
