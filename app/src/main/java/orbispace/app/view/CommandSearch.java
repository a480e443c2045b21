package orbispace.app.view;

import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** The keys of the screen in front, and all commands, found by words and begun from here. */
final class CommandSearch extends VBox {
    private static final int ROWS = 9;
    private static final double ROW_HEIGHT = 24;

    private final Label keys = new Label();
    private final TextField field = new TextField();
    private final ObservableList<Command> found = FXCollections.observableArrayList();
    private final ListView<Command> list = new ListView<>(found);
    private final Supplier<List<Command>> all;
    private final Runnable left;
    private List<Command> known = List.of();

    /**
     * Something that can be done.
     *
     * @param words what it does
     * @param keys how it is done without this list; empty for no key
     * @param run does it
     */
    record Command(String words, String keys, Runnable run) {
        private boolean has(String[] wanted) {
            String text = (words + " " + keys).toLowerCase(Locale.ROOT);
            for (String word : wanted) {
                if (!text.contains(word)) {
                    return false;
                }
            }
            return true;
        }
    }

    /**
     * A search.
     *
     * @param all everything that can be done now
     * @param left told when it was closed
     */
    CommandSearch(Supplier<List<Command>> all, Runnable left) {
        super(8);
        this.all = all;
        this.left = left;
        getStyleClass().add("keys");
        keys.setWrapText(true);
        field.setPromptText("what do you want to do?");
        field.setAccessibleText("search all commands by words");
        field.textProperty().addListener((o, was, is) -> search(is));
        field.setOnAction(e -> run());
        // The key that opens it is typed into it as well.
        field.addEventFilter(
                KeyEvent.KEY_TYPED,
                e -> {
                    boolean opened = field.getText().isEmpty();
                    if (opened && (e.getCharacter().equals("?") || e.getCharacter().equals("/"))) {
                        e.consume();
                    }
                });
        list.setAccessibleText("commands that were found");
        list.setFixedCellSize(ROW_HEIGHT);
        list.setPrefHeight(ROWS * ROW_HEIGHT + 2);
        list.setCellFactory(v -> new Row());
        list.setOnMouseClicked(e -> run());
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        getChildren().addAll(field, list, keys);
        setVisible(false);
    }

    /** Opens it with lines about keys, or closes it. */
    void turn(String lines) {
        if (isVisible()) {
            close();
            return;
        }
        keys.setText(lines);
        known = all.get();
        field.clear();
        search("");
        setVisible(true);
        field.requestFocus();
    }

    /** Closes it, if it is open. */
    void close() {
        if (isVisible()) {
            setVisible(false);
            left.run();
        }
    }

    private void search(String text) {
        String[] wanted = text.strip().toLowerCase(Locale.ROOT).split("\\s+");
        found.setAll(known.stream().filter(c -> c.has(wanted)).toList());
        list.getSelectionModel().selectFirst();
        list.scrollTo(0);
    }

    private void pressed(KeyEvent e) {
        KeyCode code = e.getCode();
        if (code == KeyCode.ESCAPE) {
            close();
            e.consume();
        } else if (code == KeyCode.ENTER && !field.isFocused()) {
            run();
            e.consume();
        } else if (field.isFocused() && (code == KeyCode.DOWN || code == KeyCode.UP)) {
            int to = list.getSelectionModel().getSelectedIndex() + (code == KeyCode.DOWN ? 1 : -1);
            list.getSelectionModel().select(Math.clamp(to, 0, Math.max(0, found.size() - 1)));
            list.scrollTo(Math.max(0, to - ROWS / 2));
            e.consume();
        }
    }

    private void run() {
        Command chosen = list.getSelectionModel().getSelectedItem();
        if (chosen != null) {
            close();
            chosen.run.run();
        }
    }

    private static final class Row extends ListCell<Command> {
        @Override
        protected void updateItem(@Nullable Command c, boolean empty) {
            super.updateItem(c, empty);
            setText(
                    c == null || empty
                            ? ""
                            : c.keys.isEmpty() ? c.words : c.words + "   (" + c.keys + ")");
        }
    }
}
