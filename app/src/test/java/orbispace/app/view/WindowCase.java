package orbispace.app.view;

import com.sun.javafx.scene.NodeHelper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import orbispace.app.Songs;
import orbispace.app.desk.Desk;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Type;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.Clearance;
import orbispace.core.design.Design;
import orbispace.core.design.Space;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxToolkit;

/**
 * Opens the real window off screen, one for each class, and before each test a fresh copy of a song
 * that is not the demo; acts as a person would.
 */
public abstract class WindowCase {
    @TempDir private static Path songs;

    private static final long LONGEST_SECONDS = 120;
    private static int opened;

    /** What stays open from test to test. */
    private record Opened(Stage stage, Desk desk, MainWindow window) {}

    private static @Nullable Opened shared;

    public final Hand robot = new Hand();

    @SuppressWarnings("NullAway.Init") // Made before each test.
    public Desk desk;

    @SuppressWarnings("NullAway.Init") // Made before each test.
    public MainWindow window;

    @SuppressWarnings("NullAway.Init") // Made before each test.
    public Path folder;

    @SuppressWarnings("NullAway.Init") // Made before each test.
    public Path project;

    @BeforeEach
    protected void open() throws IOException, TimeoutException {
        folder = Files.createDirectory(songs.resolve("song" + opened++));
        project = Songs.write(folder);
        Stage stage = FxToolkit.registerPrimaryStage();
        FxToolkit.setupFixture(() -> {
            Opened kept = shared == null ? shown(stage) : shared;
            shared = kept;
            desk = kept.desk;
            window = kept.window;
            window.setPalette(Palette.DAY);
            window.show("Orbit");
            window.scene().getRoot().requestFocus();
            desk.frame().giveUp();
            desk.frame().opening().open(project);
        });
        until(() -> project.equals(desk.frame().kept().file().get()));
        drawn();
    }

    private static Opened shown(Stage stage) {
        Type.load();
        Desk desk = new Desk(Platform::runLater, RecentProjects.inMemory(), Songs.facts());
        MainWindow window = new MainWindow(desk);
        stage.setScene(window.scene());
        stage.setWidth(1280);
        stage.setHeight(800);
        stage.show();
        return new Opened(stage, desk, window);
    }

    @AfterAll
    protected static void close() throws TimeoutException {
        Opened kept = shared;
        shared = null;
        if (kept != null) {
            FxToolkit.setupFixture(() -> {
                kept.desk.close();
                kept.stage.hide();
            });
        }
    }

    protected boolean on(BooleanSupplier condition) {
        return robot.on(condition::getAsBoolean);
    }

    protected void until(BooleanSupplier condition) {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(LONGEST_SECONDS);
        while (!on(condition)) {
            if (System.nanoTime() > end) {
                throw new AssertionError(
                        "waited in vain; busy with \""
                                + desk.frame().jobs().busyWith().get()
                                + "\", problem \""
                                + desk.frame().problem().get()
                                + "\"");
            }
            LockSupport.parkNanos(5_000_000);
        }
    }

    protected void settle() {
        until(() -> {
            Clearance c = desk.frame().measured().clearance().get();
            return c != null
                    && c.design().equals(desk.frame().design().get())
                    && !desk.frame().jobs().busy();
        });
    }

    /** Waits until what was changed has been laid out, whatever is still measured. */
    protected void drawn() {
        AtomicInteger pulses = new AtomicInteger();
        Runnable count = pulses::incrementAndGet;
        robot.interact(() -> window.scene().addPostLayoutPulseListener(count));
        until(() -> {
            Platform.requestNextPulse();
            return pulses.get() > 1;
        });
        robot.interact(() -> window.scene().removePostLayoutPulseListener(count));
    }

    /** The visible node that a screen reader would call by this beginning, once it is there. */
    protected Node called(String accessible) {
        return found(n -> isCalled(n, accessible));
    }

    private static boolean isCalled(Node n, String accessible) {
        return n.getAccessibleText() != null
                && n.getAccessibleText().startsWith(accessible)
                && shown(n);
    }

    /**
     * Focuses what is called so. It is looked for and focused in one go: between the two a list
     * might be made anew, and what was found would be gone.
     */
    protected void focusCalled(String accessible) {
        until(() -> {
            var found = robot.lookup((Node n) -> isCalled(n, accessible)).tryQuery();
            found.ifPresent(NodeHelper::requestFocusVisible);
            return found.filter(n -> n.equals(window.scene().getFocusOwner())).isPresent();
        });
    }

    /** The first node of a kind; lists may be made anew meanwhile, so it is waited for. */
    private Node found(java.util.function.Predicate<Node> wanted) {
        java.util.List<Node> seen = new java.util.concurrent.CopyOnWriteArrayList<>();
        until(() -> {
            robot.lookup(wanted).tryQuery().ifPresent(seen::add);
            return !seen.isEmpty();
        });
        return seen.getFirst();
    }

    private Node button(String text) {
        return found(n -> n instanceof ButtonBase b && text.equals(b.getText()) && shown(n));
    }

    protected static boolean shown(Node node) {
        for (Node n = node; n != null; n = n.getParent()) {
            if (!n.isVisible()) {
                return false;
            }
        }
        return true;
    }

    /** Presses the visible button of a text. */
    protected void press(String text) {
        robot.clickOn(button(text));
    }

    /** Presses the button of a text by keyboard, wherever it has been scrolled to. */
    protected void pressByKey(String text) {
        focus(button(text));
        key(KeyCode.SPACE);
    }

    /** Fires the visible button of a text. */
    protected void fire(String text) {
        ButtonBase found = (ButtonBase) button(text);
        robot.interact(found::fire);
    }

    protected Set<String> labels() {
        return robot.on(() ->
                robot.lookup((Node n) -> n instanceof Label && shown(n)).<Label>queryAll().stream()
                        .map(l -> String.valueOf(l.getText()))
                        .collect(Collectors.toSet()));
    }

    protected Design design() {
        return desk.frame().design().get();
    }

    protected double decay() {
        return design().requireReturn("A").space() instanceof Space.Reverb h ? h.decaySeconds() : 0;
    }

    protected double predelayMillis() {
        return 1000
                * design().requireReturn("A")
                        .predelay()
                        .seconds(design().song().clock(), design().requireReturn("A").timedAtBar());
    }

    protected void key(KeyCode code, KeyCode... with) {
        KeyCode[] all = java.util.Arrays.copyOf(with, with.length + 1);
        all[with.length] = code;
        robot.push(all);
    }

    protected void focus(Node node) {
        robot.interact(() -> NodeHelper.requestFocusVisible(node));
    }

    protected WritableImage snapshot() {
        return robot.on(() -> window.scene().snapshot(null));
    }
}
