package orbispace.app.view;

import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ClearModel;
import orbispace.app.desk.Desk;
import orbispace.app.desk.FrameModel;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Plate;
import orbispace.app.view.frame.FileMenu;
import orbispace.app.view.frame.PlayClock;
import orbispace.app.view.frame.Rail;
import orbispace.app.view.frame.RecoveryBar;
import orbispace.app.view.frame.Ribbon;
import orbispace.app.view.frame.Screen;
import orbispace.app.view.frame.Step;
import orbispace.app.view.frame.Welcome;
import org.jspecify.annotations.Nullable;

/** The whole window: ribbon, rail, the screen in front, and its inspector. */
public final class MainWindow {
    private static final double INSPECTOR_WIDTH = 300;
    private static final String STYLES =
            java.util.Objects.requireNonNull(
                            MainWindow.class.getResource("/orbispace/app/window.css"))
                    .toExternalForm();

    private final FrameModel model;
    private final ClearModel clear;
    private final FileMenu files;
    private final Ribbon ribbon;
    private final Rail rail;
    private final Screens screens;
    private final BorderPane root = new BorderPane();
    private final StackPane main = new StackPane();
    private final StackPane side = new StackPane();
    private final Welcome welcome;
    private final Label problem = new Label();
    private final HBox problemBar;
    private final RecoveryBar recovery;
    private final CommandSearch search;
    private final Scene scene;
    private Palette palette = Palette.DAY;
    private Step step = Step.ORBIT;
    private boolean focusLost;

    /** A window over a desk. */
    public MainWindow(Desk desk) {
        model = desk.frame();
        clear = desk.clear();
        files = new FileMenu(model, this::scene);
        ribbon = new Ribbon(model, files.menu());
        rail = new Rail(this::go, this::turnLight);
        screens = new Screens(desk, files);
        welcome = new Welcome(files);
        problemBar = problemBar();
        search =
                new CommandSearch(
                        () -> new Commands(this, model, screens.all()).all(), root::requestFocus);
        recovery = new RecoveryBar(model.bringing());
        layOut();
        scene = new Scene(root, 1280, 800);
        listen();
        setPalette(Palette.DAY);
        go(Step.ORBIT);
        root.setAccessibleText("Orbispace");
        root.setFocusTraversable(true);
        root.requestFocus();
        screens.makeAllSoon();
    }

    private void layOut() {
        root.getStyleClass().add("window");
        root.setTop(ribbon);
        root.setLeft(Rail.sized(rail));
        root.setCenter(centre());
        root.setRight(side);
        side.setPrefWidth(INSPECTOR_WIDTH);
        side.setMinWidth(INSPECTOR_WIDTH);
    }

    private HBox problemBar() {
        Button close = Plate.button("Close", () -> model.problem().set(""));
        problem.setWrapText(true);
        problem.setAccessibleText("problem");
        HBox.setHgrow(problem, Priority.ALWAYS);
        problem.setMaxWidth(Double.MAX_VALUE);
        HBox bar = new HBox(10, problem, close);
        bar.setAlignment(Pos.CENTER_LEFT);
        bar.getStyleClass().add("problem-bar");
        bar.setVisible(false);
        return bar;
    }

    /** What was left by a crash is offered under the screen, not over it. */
    private Region centre() {
        StackPane stack = new StackPane(main, welcome, overlay());
        VBox.setVgrow(stack, Priority.ALWAYS);
        VBox.setMargin(recovery, new javafx.geometry.Insets(0, 16, 8, 16));
        return new VBox(stack, recovery);
    }

    private Region overlay() {
        Region spring = new Region();
        spring.setMouseTransparent(true);
        VBox.setVgrow(spring, Priority.ALWAYS);
        VBox overlay = new VBox(6, spring, search, problemBar);
        for (Region bar : new Region[] {search, problemBar}) {
            bar.managedProperty().bind(bar.visibleProperty());
        }
        overlay.setPickOnBounds(false);
        overlay.setPadding(new javafx.geometry.Insets(0, 16, 8, 16));
        return overlay;
    }

    private void listen() {
        model.selection()
                .wanted()
                .addListener((o, was, is) -> {
                    show(is);
                    model.selection().wanted().set("");
                });
        WindowKeys shortcuts = new WindowKeys(this, model);
        scene.addEventFilter(KeyEvent.KEY_PRESSED, shortcuts::shortcut);
        scene.addEventHandler(KeyEvent.KEY_PRESSED, shortcuts::key);
        scene.addEventFilter(KeyEvent.KEY_RELEASED, shortcuts::released);
        scene.focusOwnerProperty().addListener((o, was, is) -> focusMoved(was, is));
        scene.setOnDragOver(files::offered);
        scene.setOnDragDropped(files::dropped);
        model.problem()
                .addListener((o, was, is) -> {
                    problem.setText(is);
                    problemBar.setVisible(!is.isEmpty());
                });
        model.design().addListener((o, was, is) -> welcome.setVisible(is.sources().isEmpty()));
    }

    /**
     * When what held the focus is gone, the first control of the window would take it: the song's
     * name, which nobody asked for.
     */
    private void focusMoved(@Nullable Node was, @Nullable Node is) {
        if (is == null) {
            focusLost = true;
            return;
        }
        boolean gone = focusLost || (was != null && !isSeen(was));
        focusLost = false;
        if (gone && is.getStyleClass().contains("song-title")) {
            root.requestFocus();
        }
    }

    private boolean isSeen(Node node) {
        for (Node n = node; n != null; n = n.getParent()) {
            if (!n.isVisible() || n.isDisabled()) {
                return false;
            }
        }
        return scene.equals(node.getScene());
    }

    /** Keeps the playhead moving once it is started. */
    public PlayClock clock(ReadOnlyBooleanProperty playing) {
        return new PlayClock(playing, ribbon::tick);
    }

    /** The scene of the window. */
    public Scene scene() {
        return scene;
    }

    /** Title for the window's frame. */
    public FileMenu files() {
        return files;
    }

    /** Brings a screen to the front by its name, such as {@code Orbit}. */
    public void show(String name) {
        for (Step s : Step.values()) {
            if (s.label.equals(name)) {
                go(s);
            }
        }
    }

    /** Day or night. */
    public void setPalette(Palette given) {
        palette = given;
        scene.getStylesheets().setAll(given.stylesheet(), STYLES);
        ribbon.setPalette(given);
        rail.setPalette(given);
        screens.setPalette(given);
    }

    void turnLight() {
        setPalette(palette == Palette.DAY ? Palette.NIGHT : Palette.DAY);
    }

    void go(Step to) {
        screens.hide();
        step = to;
        Screen<?> screen = screen();
        main.getChildren().setAll(screen);
        side.getChildren().setAll(screen.inspector());
        rail.choose(to);
        search.close();
        clear.wantsRemedies().set(to == Step.CLEAR);
        screen.shown(true);
    }

    /** Shows lines about keys and searches commands, or puts both away. */
    void turnKeys(String lines) {
        search.turn(lines);
    }

    void hideKeys() {
        search.close();
    }

    /** Digits that a number would take go to the steps again. */
    void leaveNumber() {
        rail.focus(step);
    }

    /** The screen in front. */
    Screen<?> screen() {
        return screens.of(step);
    }
}
