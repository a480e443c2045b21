package orbispace.app.view.song;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SongModel;
import orbispace.app.song.FormItem;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.NameField;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.StepSize;
import orbispace.app.view.control.WhenSeen;
import orbispace.core.design.Form;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.time.MetreMap;
import orbispace.core.words.Wording;

/** The chosen section: its name, kind and bars, its tempo and metre, and how its end slows. */
final class SectionCard extends VBox {
    private static final int GLIDE_BARS = 2;
    private static final double SLOWER = 0.75;

    private final SongModel model;
    private final NameField name;
    private final Choice<SectionKind> kind;
    private final Label bars = FormPanel.caption("");
    private final NumberField tempo;
    private final NameField metre;
    private final NumberField glide;
    private final VBox body = new VBox(10);
    private final Label none =
            new Label("No section is chosen. X on the ruler lays one out at the playhead.");
    private double glideTo = Double.NaN;

    SectionCard(SongModel model) {
        this.model = model;
        name =
                new NameField(
                        "name of the section",
                        text -> change("name of section", (s, i) -> Form.rename(s, i, text)));
        name.getStyleClass().add("title-field");
        kind =
                new Choice<>(
                        "kind of section",
                        List.of(SectionKind.values()),
                        SectionKind::label,
                        k -> change("kind of section", (s, i) -> Form.kind(s, i, k)));
        tempo =
                tempoField(
                        "bpm from its first bar",
                        this::setTempo,
                        (way, size) ->
                                setTempo(tempoNow() + way * FormPanel.step(size, 0.1, 1, 10)));
        glide =
                tempoField(
                        "bpm at its end",
                        this::setGlide,
                        (way, size) ->
                                setGlide(glideNow() + way * FormPanel.step(size, 0.1, 1, 10)));
        metre = new NameField("metre from its first bar", this::setMetre);
        metre.setPrefColumnCount(4);
        none.setWrapText(true);
        body.getChildren().addAll(name, kinds(), edges(), FormPanel.head("IN FRONT"));
        body.getChildren().addAll(new LeadCard(model), FormPanel.head("TEMPO AND METRE"));
        body.getChildren().addAll(time(), FormPanel.head("RITARDANDO"), ending());
        getChildren().addAll(none, body);
        WhenSeen seen = new WhenSeen(this, this::refresh);
        model.design().addListener((o, was, is) -> seen.run());
        model.selection().section().addListener((o, was, is) -> refresh());
        refresh();
    }

    private NumberField tempoField(
            String what,
            FormPanel.Taken taken,
            java.util.function.BiConsumer<Integer, StepSize> stepping) {
        return new NumberField(
                what,
                "quarters per minute from 5 to 1000",
                text -> FormPanel.number(text, "bpm", taken),
                stepping,
                model.problem()::set);
    }

    private HBox kinds() {
        HBox kinds = new HBox(10, kind, bars);
        kinds.setAlignment(Pos.CENTER_LEFT);
        return kinds;
    }

    private FlowPane edges() {
        return new FlowPane(
                6,
                6,
                Plate.button(
                        "Split at playhead",
                        () -> model.form().splitAt(model.transport().position().get())),
                Plate.button("Join with next", () -> change("join of sections", Form::join)),
                Plate.button(
                        "Swap name with next", () -> change("names of sections", Form::swapNames)));
    }

    private HBox time() {
        return new HBox(16, tempo, new VBox(1, metre, FormPanel.caption("metre")));
    }

    private HBox ending() {
        HBox end =
                new HBox(
                        10,
                        glide,
                        Plate.button(
                                "Reach it over " + GLIDE_BARS + " bars",
                                () -> {
                                    Section chosen = model.selection().section().get();
                                    if (chosen != null) {
                                        model.form().glide(chosen, GLIDE_BARS, glideNow());
                                    }
                                }));
        end.setAlignment(Pos.CENTER_LEFT);
        return end;
    }

    private interface SectionChange {
        Song apply(Song song, int index);
    }

    private boolean change(String words, SectionChange change) {
        Section chosen = model.selection().section().get();
        int index = model.design().get().song().sections().indexOf(chosen);
        return index >= 0 && model.form().change(words, s -> change.apply(s, index));
    }

    private double tempoNow() {
        return model.design().get().song().clock().bpmOfBar(model.selection().bar());
    }

    /** Sets the tempo from the first bar of the section on. */
    boolean setTempo(double bpm) {
        double beat =
                model.design().get().song().clock().metre().beatOfBar(model.selection().bar());
        boolean taken = model.form().change("tempo", s -> Form.tempo(s, beat, bpm));
        if (taken) {
            model.selection().form().set(new FormItem.Tempo(beat));
        }
        return taken;
    }

    private double glideNow() {
        return Double.isNaN(glideTo) ? Math.rint(SLOWER * tempoNow()) : glideTo;
    }

    private boolean setGlide(double bpm) {
        boolean taken = bpm >= 5 && bpm <= 1000;
        if (taken) {
            glideTo = bpm;
            refresh();
        }
        return taken;
    }

    private boolean setMetre(String text) {
        String[] parts = text.split("/", -1);
        try {
            int beats = Integer.parseInt(parts[0].strip());
            int unit = Integer.parseInt(parts[1].strip());
            int bar = model.selection().bar();
            return model.form().change("metre", s -> Form.metre(s, bar, beats, unit));
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            model.problem().set("\u201c" + text + "\u201d is no metre; write 4/4 or 6/8");
            return false;
        }
    }

    /** Brings the name under the hand. */
    void rename() {
        name.requestFocus();
        name.selectAll();
    }

    private void refresh() {
        Section chosen = model.selection().section().get();
        none.setVisible(chosen == null);
        none.setManaged(chosen == null);
        body.setVisible(chosen != null);
        body.setManaged(chosen != null);
        if (chosen != null) {
            name.show(chosen.name());
            kind.show(chosen.kind());
            bars.setText("bars " + chosen.firstBar() + "\u2013" + (chosen.endBar() - 1));
            tempo.show(Wording.number(tempoNow(), 1), "bpm");
            MetreMap.Change m = model.design().get().song().clock().metre().at(chosen.firstBar());
            metre.show(m.beatsPerBar() + "/" + m.beatUnit());
            glide.show(Wording.number(glideNow(), 1), "bpm");
        }
    }
}
