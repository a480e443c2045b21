package orbispace.app.view;

import com.sun.javafx.scene.NodeHelper;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Predicate;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.testfx.api.FxRobot;
import org.testfx.service.query.NodeQuery;

/**
 * The hand of a person at the real window: moves the pointer, presses buttons and keys. Everything
 * happens on the interface thread in one go, with the window laid out anew after it.
 */
public final class Hand {
    private static final int LONGEST_SECONDS = 60;

    private final FxRobot eyes = new FxRobot();

    /** One robot for all, made on the interface thread: it knows where its pointer is. */
    private static final class Held {
        private static final Robot ROBOT = new Robot();
    }

    /** Does something on the interface thread and lets everything follow that was put off. */
    public Hand interact(Runnable action) {
        on(() -> {
            action.run();
            return true;
        });
        return this;
    }

    /** Asks for something on the interface thread; what was put off by it has happened then. */
    public <T> T on(Callable<T> question) {
        T answer = run(question);
        run(Hand::lay);
        return answer;
    }

    private static <T> T run(Callable<T> task) {
        try {
            if (Platform.isFxApplicationThread()) {
                return task.call();
            }
            FutureTask<T> future = new FutureTask<>(task);
            Platform.runLater(future);
            return future.get(LONGEST_SECONDS, TimeUnit.SECONDS);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof Error error) {
                throw error;
            }
            throw new IllegalStateException(e.getCause());
        } catch (InterruptedException | TimeoutException e) {
            throw new IllegalStateException(e);
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    /** What a pulse does before it draws: styles where something has changed, and layout. */
    private static boolean lay() {
        for (Window window : Window.getWindows()) {
            if (window.getScene() != null) {
                Parent root = window.getScene().getRoot();
                NodeHelper.processCSS(root);
                root.layout();
            }
        }
        return true;
    }

    /** Nodes that are so. */
    public NodeQuery lookup(Predicate<Node> so) {
        return eyes.lookup(so);
    }

    private static Point2D middle(Node node) {
        Bounds b = node.localToScreen(node.getBoundsInLocal());
        return new Point2D(b.getCenterX(), b.getCenterY());
    }

    private Hand act(java.util.function.Consumer<Robot> action) {
        return interact(() -> action.accept(Held.ROBOT));
    }

    /** Moves the pointer to a place of the screen. */
    public Hand moveTo(double x, double y) {
        return act(r -> r.mouseMove(x, y));
    }

    /** Moves the pointer onto the middle of a node. */
    public Hand moveTo(Node node) {
        return act(r -> r.mouseMove(middle(node)));
    }

    /** Moves the pointer on. */
    public Hand moveBy(double dx, double dy) {
        return act(r -> r.mouseMove(r.getMouseX() + dx, r.getMouseY() + dy));
    }

    /** Presses a button of the mouse. */
    public Hand press(MouseButton button) {
        return act(r -> r.mousePress(button));
    }

    /** Lets it go. */
    public Hand release(MouseButton button) {
        return act(r -> r.mouseRelease(button));
    }

    /** In one go: what is laid out anew between two steps would be missed. */
    private static void click(Robot r, Point2D at) {
        r.mouseMove(at);
        r.mouseClick(MouseButton.PRIMARY);
    }

    /** Clicks a place of the screen. */
    public Hand clickOn(double x, double y) {
        return act(r -> click(r, new Point2D(x, y)));
    }

    /** Clicks a place of the screen. */
    public Hand clickOn(Point2D at) {
        return clickOn(at.getX(), at.getY());
    }

    /** Clicks the middle of a node. */
    public Hand clickOn(Node node) {
        return act(r -> click(r, middle(node)));
    }

    /** Clicks what has a text. */
    public Hand clickOn(String text) {
        return clickOn(shown(() -> eyes.lookup(text).tryQuery()));
    }

    /** Clicks the first node that is so. */
    public Hand clickOn(Predicate<Node> so) {
        return clickOn(shown(() -> eyes.lookup(so).tryQuery()));
    }

    /** What is looked for, once it is there. */
    private Node shown(Callable<Optional<Node>> look) {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(LONGEST_SECONDS);
        while (true) {
            Optional<Node> found = on(look);
            if (found.isPresent()) {
                return found.get();
            }
            if (System.nanoTime() > end) {
                throw new AssertionError("looked in vain");
            }
            LockSupport.parkNanos(5_000_000);
        }
    }

    /** Clicks a place twice. */
    public Hand doubleClickOn(double x, double y) {
        moveTo(x, y);
        return act(r -> {
            r.mouseClick(MouseButton.PRIMARY);
            r.mouseClick(MouseButton.PRIMARY);
        });
    }

    /** Takes hold of a place of the screen. */
    public Hand drag(double x, double y) {
        moveTo(x, y);
        return press(MouseButton.PRIMARY);
    }

    /** Takes hold of a node. */
    public Hand drag(Node node) {
        moveTo(node);
        return press(MouseButton.PRIMARY);
    }

    /** Lets go of what is held. */
    public Hand drop() {
        return release(MouseButton.PRIMARY);
    }

    /** Turns the wheel. */
    public Hand scroll(int steps, VerticalDirection way) {
        return act(r -> r.mouseWheel(way == VerticalDirection.DOWN ? steps : -steps));
    }

    /** Presses keys together and lets them go in turn. */
    public Hand push(KeyCode... keys) {
        return act(r -> {
            for (KeyCode key : keys) {
                r.keyPress(key);
            }
            for (int i = keys.length - 1; i >= 0; i--) {
                r.keyRelease(keys[i]);
            }
        });
    }

    /** Presses one key. */
    public Hand type(KeyCode key) {
        return push(key);
    }

    /** Writes a text where the focus is. */
    public Hand write(String text) {
        for (int i = 0; i < text.length(); i++) {
            String typed = text.substring(i, i + 1);
            interact(() -> {
                Node focused = focused();
                KeyCode code = KeyCode.UNDEFINED;
                Event.fireEvent(
                        focused,
                        new KeyEvent(
                                KeyEvent.KEY_TYPED, typed, "", code, false, false, false, false));
            });
        }
        return this;
    }

    private static Node focused() {
        return Window.getWindows().stream()
                .filter(w -> w instanceof Stage && w.isFocused())
                .map(w -> w.getScene().getFocusOwner())
                .findFirst()
                .orElseThrow();
    }
}
