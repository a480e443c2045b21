package orbispace.app.view.control;

import java.util.List;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;

/** Toggles of which one is always down. Arrow keys put the next one down and go on to it. */
public final class OneOf {
    private final ToggleGroup group = new ToggleGroup();

    /** Adds a toggle; {@code down} is told when it goes down, by pointer, key or program. */
    public void add(ToggleButton toggle, Runnable down) {
        toggle.setToggleGroup(group);
        toggle.setOnAction(e -> toggle.setSelected(true));
        toggle.selectedProperty()
                .addListener((o, was, is) -> {
                    if (is) {
                        down.run();
                    }
                });
        toggle.addEventFilter(KeyEvent.KEY_PRESSED, e -> arrow(toggle, e));
    }

    /** Forgets all toggles, so that others can be added. */
    public void clear() {
        group.getToggles().clear();
    }

    /** Puts a toggle down. */
    public void choose(int place) {
        group.selectToggle(group.getToggles().get(place));
    }

    /** The toggle that is down, by its place. */
    public int chosen() {
        return group.getToggles().indexOf(group.getSelectedToggle());
    }

    private void arrow(ToggleButton from, KeyEvent e) {
        int by =
                switch (e.getCode()) {
                    case LEFT, UP -> -1;
                    case RIGHT, DOWN -> 1;
                    default -> 0;
                };
        if (by == 0 || e.isShortcutDown() || e.isAltDown()) {
            return;
        }
        e.consume();
        List<ToggleButton> all =
                group.getToggles().stream()
                        .map(ToggleButton.class::cast)
                        .filter(t -> t.isVisible() && !t.isDisabled())
                        .toList();
        int next = all.indexOf(from) + by;
        if (next >= 0 && next < all.size()) {
            all.get(next).setSelected(true);
            KeptFocus.reach(all.get(next));
        }
    }
}
