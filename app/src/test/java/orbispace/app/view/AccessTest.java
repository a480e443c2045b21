package orbispace.app.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Everything that can be used has a name for a screen reader and a place among the focused. */
class AccessTest extends WindowCase {
    private static void all(Node node, List<Node> found) {
        if (!node.isVisible()) {
            return;
        }
        boolean control =
                node instanceof ButtonBase
                        || node instanceof TextInputControl
                        || node instanceof CheckBox
                        || node instanceof ComboBoxBase;
        if (control || node.isFocusTraversable()) {
            found.add(node);
        }
        if (node instanceof Parent p && !control) {
            p.getChildrenUnmodifiable().forEach(child -> all(child, found));
        }
    }

    private static String name(Node node) {
        String spoken = node.getAccessibleText();
        if (spoken != null && !spoken.isBlank()) {
            return spoken;
        }
        return node instanceof Labeled l && l.getText() != null ? l.getText() : "";
    }

    private static String where(Node node) {
        StringBuilder path = new StringBuilder(node.getClass().getSimpleName());
        for (Node at = node.getParent(); at != null; at = at.getParent()) {
            path.append(" in ").append(at.getClass().getSimpleName());
        }
        return path.append(" ").append(node.getStyleClass()).toString();
    }

    @ParameterizedTest
    @ValueSource(strings = {"Song", "Orbit", "Clear", "Plan", "Prove", "Sheet"})
    void everythingHasANameAndCanBeReachedByKeys(String screen) {
        robot.interact(() -> window.show(screen));
        until(() -> desk.frame().measured().clearance().get() != null);
        drawn();
        List<Node> found = new ArrayList<>();
        robot.interact(() -> all(window.scene().getRoot(), found));
        assertThat(found).hasSizeGreaterThan(15);
        List<String> nameless = new ArrayList<>();
        List<String> unreached = new ArrayList<>();
        for (Node n : found) {
            boolean scrolls = n.getClass().getSimpleName().contains("Scroll");
            if (name(n).isBlank() && !scrolls) {
                nameless.add(where(n));
            }
            if (!n.isFocusTraversable() && !n.isDisabled() && !scrolls) {
                unreached.add(where(n) + " " + name(n));
            }
        }
        assertThat(nameless).isEmpty();
        assertThat(unreached).isEmpty();
    }

    @Test
    void aWholeReturnIsSetByKeysAlone() {
        key(KeyCode.DIGIT2);
        drawn();
        focus(called("drive"));
        robot.write("12").type(KeyCode.ENTER);
        drawn();
        assertThat(design().requireReturn("A").chain().drive()).isNotNull();
        pressByKey("After the space");
        drawn();
        assertThat(
                        java.util.Objects.requireNonNull(
                                        design().requireReturn("A").chain().drive())
                                .afterSpace())
                .isTrue();
    }
}
