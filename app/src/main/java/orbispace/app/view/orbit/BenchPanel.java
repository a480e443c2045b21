package orbispace.app.view.orbit;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.desk.Benching;
import orbispace.app.desk.OrbitModel;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.SealMark;
import orbispace.core.bank.BankEntry;
import orbispace.core.candidate.Candidate;
import orbispace.core.words.Wording;
import orbispace.files.sheet.SpaceWording;

/** The bench: candidates for one return, each under a number key, kept or dropped with a word. */
final class BenchPanel extends VBox {
    private final OrbitModel model;
    private final Benching bench;
    private final SealMark seal;
    private final Label title = new Label();
    private final Label note = new Label();
    private final MenuButton bank = new MenuButton("From the bank");
    private final VBox rows = new VBox(2);
    private final List<ToggleButton> numbers = new ArrayList<>();

    BenchPanel(OrbitModel model) {
        this.model = model;
        bench = model.bench();
        seal = new SealMark(bench.returnId()::get, 11, true);
        getStyleClass().add("bench");
        title.getStyleClass().add("inspector-title");
        note.getStyleClass().add("caption");
        Button put = Plate.small("Add as it is now", this::put);
        put.setAccessibleText("put the return as it stands now on the bench");
        bank.getStyleClass().addAll("kind-menu", "small");
        bank.setAccessibleText("put an entry of the bank on the bench");
        bank.getItems().add(new MenuItem(""));
        bank.setOnShowing(e -> fillBank());
        Button close = Plate.small("Leave the bench", bench::close);
        for (Region whole : List.of(title, bank, put, close)) {
            whole.setMinWidth(Region.USE_PREF_SIZE);
        }
        close.setAccessibleText("close the bench and leave the return as it stands");
        HBox head = new HBox(8, seal, title, note, Plate.spring(), bank, put, close);
        head.setAlignment(Pos.CENTER_LEFT);
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        setSpacing(6);
        bench.returnId().addListener((o, was, is) -> show());
        bench.candidates().addListener((o, was, is) -> show());
        bench.heard().addListener((o, was, is) -> mark());
        show();
    }

    void setPalette(Palette palette) {
        seal.setPalette(palette);
    }

    private void put() {
        model.design()
                .get()
                .findReturn(bench.returnId().get())
                .ifPresent(r -> bench.put(new SpaceWording(model.design().get(), r).ownSize(), r));
    }

    private void fillBank() {
        bank.getItems().clear();
        for (BankEntry e : model.bank().forBench()) {
            MenuItem item = new MenuItem(BankMenu.name(e));
            item.setOnAction(a -> model.bank().toBench(e));
            bank.getItems().add(item);
        }
        if (bank.getItems().isEmpty()) {
            MenuItem none = new MenuItem("the bank has none for this purpose");
            none.setDisable(true);
            bank.getItems().add(none);
        }
    }

    private void show() {
        setVisible(bench.isOpen());
        setManaged(bench.isOpen());
        rows.getChildren().clear();
        numbers.clear();
        List<Candidate> all = bench.candidates().get();
        title.setText("Bench of " + bench.label());
        note.setText(
                all.isEmpty()
                        ? "candidates are being set to one wet share \u2026"
                        : Wording.format(
                                "all at %.1f %% of all loudness here; keys 1 to %d flip them",
                                100 * all.getFirst().share(), all.size()));
        for (int i = 0; i < all.size(); i++) {
            rows.getChildren().add(row(all.get(i), i));
        }
        mark();
        seal.repaint();
    }

    private HBox row(Candidate c, int index) {
        ToggleButton number = Plate.toggle(Integer.toString(index + 1), "hear " + c.name());
        number.getStyleClass().add("small");
        number.setOnAction(e -> {
            bench.hear(index);
            mark();
        });
        numbers.add(number);
        Label name = new Label(c.name());
        name.getStyleClass().add("row-name");
        name.setMinWidth(140);
        name.setPrefWidth(140);
        // A gate's wall is the same for all; what differs is the space behind it.
        Label size = new Label(new SpaceWording(model.design().get(), c.ret()).ownSize());
        size.getStyleClass().add("caption");
        size.setMinWidth(120);
        size.setPrefWidth(120);
        Label words = new Label(c.words());
        words.getStyleClass().add("caption");
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        TextField word = new TextField();
        word.setPromptText("a word why not");
        word.setAccessibleText("why " + c.name() + " is dropped");
        word.setPrefColumnCount(14);
        word.getStyleClass().add("small");
        word.setOnAction(e -> bench.drop(index, word.getText()));
        Button drop = Plate.small("Drop", () -> bench.drop(index, word.getText()));
        drop.setAccessibleText("drop " + c.name());
        Button keep = Plate.small("Keep", () -> bench.keep(index));
        keep.setAccessibleText("keep " + c.name());
        HBox row = new HBox(8, number, name, size, words, word, drop, keep);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void mark() {
        for (int i = 0; i < numbers.size(); i++) {
            numbers.get(i).setSelected(bench.heard().get() == i);
        }
    }
}
