package orbispace.app.view.sheet;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SheetModel;
import orbispace.app.draw.Palette;
import orbispace.app.session.LogKeeping;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.Plate;
import orbispace.core.prove.log.LogEntry;
import orbispace.core.prove.log.Snapshot;
import orbispace.core.words.Wording;

/** The log: what changed, from, to and why, with what was measured; and notes. */
final class LogPanel extends VBox {
    private static final int MOST = 200;
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM HH:mm");

    private final LogKeeping log;
    private final TextField note = new TextField();
    private final TextField search = new TextField();
    private final VBox entries = new VBox(6);
    private final List<SnapshotCard> coins = new ArrayList<>();
    private final SheetModel model;
    private Palette palette = Palette.DAY;

    LogPanel(SheetModel model) {
        this.model = model;
        log = model.log();
        note.setPromptText("a note, and Enter");
        note.setAccessibleText("note for the log");
        note.setOnAction(e -> {
            log.note(note.getText());
            note.clear();
        });
        search.setPromptText("search");
        search.setAccessibleText("search the log");
        search.textProperty().addListener((o, was, is) -> refresh());
        ScrollPane scroll = new ScrollPane(entries);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(note, search, scroll);
        setSpacing(8);
        log.book().addListener((o, was, is) -> refresh());
        refresh();
    }

    private void refresh() {
        KeptFocus.through(entries, this::remake);
    }

    private void remake() {
        entries.getChildren().clear();
        coins.clear();
        List<Snapshot> shots = new ArrayList<>(log.snapshots(search.getText()));
        List<LogEntry> found = log.search(search.getText());
        for (LogEntry e : found.subList(0, Math.min(MOST, found.size()))) {
            while (!shots.isEmpty() && !shots.getFirst().made().isBefore(e.when())) {
                add(shots.removeFirst());
            }
            entries.getChildren().add(card(e));
        }
        shots.forEach(this::add);
        if (entries.getChildren().isEmpty()) {
            entries.getChildren()
                    .add(
                            line(
                                    search.getText().isBlank()
                                            ? "Every change that stays for ten seconds is noted"
                                                    + " here."
                                            : "Nothing in the log says that.",
                                    "caption"));
        }
    }

    private void add(Snapshot shot) {
        SnapshotCard card = new SnapshotCard(model, shot, palette);
        coins.add(card);
        entries.getChildren().add(card);
    }

    void setPalette(Palette given) {
        palette = given;
        coins.forEach(c -> c.setPalette(given));
    }

    private Node card(LogEntry e) {
        VBox box = new VBox(2);
        box.getChildren().add(line(WHEN.format(e.when().atZone(ZoneId.systemDefault())), "caps"));
        box.getChildren().add(line(e.what(), "row-name"));
        if (e.accepted().isPresent()) {
            box.getChildren().add(line(e.from(), "caption"));
        } else if (!e.from().isEmpty() || !e.to().isEmpty()) {
            String from = e.from().isEmpty() ? "nothing" : e.from();
            String to = e.to().isEmpty() ? "nothing" : e.to();
            box.getChildren().add(line(from + " became " + to, "caption"));
        }
        if (!e.why().isEmpty()) {
            box.getChildren().add(line(e.why(), "why"));
        }
        OptionalDouble was = e.before().integratedLufs();
        OptionalDouble is = e.after().integratedLufs();
        if (was.isPresent() && is.isPresent()) {
            box.getChildren()
                    .add(
                            line(
                                    "mix "
                                            + Wording.number(was.getAsDouble(), 1)
                                            + " to "
                                            + Wording.number(is.getAsDouble(), 1)
                                            + " LUFS",
                                    "caption"));
        }
        box.getChildren().addAll(reason(e));
        box.getStyleClass().addAll("chain-card", "resting");
        return Plate.clip(box);
    }

    /** A button that asks for a word of the engineer's, and where it is typed. */
    private Node[] reason(LogEntry e) {
        TextField word = new TextField();
        word.setPromptText("why, in your words");
        word.setAccessibleText("why " + e.what());
        word.setOnAction(x -> log.because(e, word.getText()));
        word.setVisible(false);
        word.setManaged(false);
        Button add =
                Plate.small(
                        "Add why",
                        () -> {
                            word.setVisible(true);
                            word.setManaged(true);
                            word.requestFocus();
                        });
        add.setAccessibleText("add why " + e.what());
        return new Node[] {add, word};
    }

    private static Label line(String text, String style) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.getStyleClass().add(style);
        return label;
    }
}
