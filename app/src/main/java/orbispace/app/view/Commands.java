package orbispace.app.view;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.MenuButton;
import orbispace.app.desk.FrameModel;
import orbispace.app.view.CommandSearch.Command;
import orbispace.app.view.frame.FileMenu;
import orbispace.app.view.frame.Screen;
import orbispace.app.view.frame.Step;

/** Everything that can be done: what has a key, and every button of every screen by its name. */
final class Commands {
    private final MainWindow window;
    private final FrameModel model;
    private final Map<Step, Screen<?>> screens;

    Commands(MainWindow window, FrameModel model, Map<Step, Screen<?>> screens) {
        this.window = window;
        this.model = model;
        this.screens = screens;
    }

    /** All of them as they are now. */
    List<Command> all() {
        List<Command> all = new ArrayList<>(listening());
        all.addAll(files());
        for (Step s : Step.values()) {
            String key = Integer.toString(s.digit);
            all.add(new Command("Go to " + s.label, key, () -> window.go(s)));
        }
        screens.forEach((step, screen) -> all.addAll(buttons(step, screen)));
        return all;
    }

    private List<Command> listening() {
        var t = model.transport();
        return List.of(
                new Command("Play or stop", "Space", t::togglePlaying),
                new Command("Repeat the section", "L", () -> t.looping().set(!t.looping().get())),
                new Command(
                        "Hear the field before, or as it is",
                        "B",
                        () -> t.hearingBefore().set(!t.hearingBefore().get())),
                new Command(
                        "Compare with the field as it is now",
                        "Shift+B",
                        model.pair()::keepAsBefore),
                new Command("Fold to mono", "M", () -> t.mono().set(!t.mono().get())),
                new Command(
                        "Hear the returns alone, wet",
                        "W",
                        () -> t.wetOnly().set(!t.wetOnly().get())),
                new Command(
                        "Hear the dry sources alone",
                        "D",
                        () -> t.dryAlone().set(!t.dryAlone().get())),
                new Command("Take back every solo and mute", "", t::hearAll));
    }

    private List<Command> files() {
        FileMenu f = window.files();
        return List.of(
                new Command("New song from stems", "Ctrl+N", f::newFromStems),
                new Command("Bring more stems or MIDI", "Ctrl+B", f::bring),
                new Command("Open a project", "Ctrl+O", f::open),
                new Command("Open the demo song", "", f::openDemo),
                new Command("Save", "Ctrl+S", f::save),
                new Command("Save as", "Ctrl+Shift+S", f::saveAs),
                new Command("Undo", "Ctrl+Z", () -> model.editor().undo()),
                new Command("Redo", "Ctrl+Shift+Z", () -> model.editor().redo()),
                new Command("Change between day and night", "", window::turnLight),
                new Command("Write an error report", "", f::writeReport));
    }

    private List<Command> buttons(Step step, Screen<?> screen) {
        Map<String, ButtonBase> found = new LinkedHashMap<>();
        gather(screen, found);
        gather(screen.inspector(), found);
        return found.entrySet().stream()
                .map(e ->
                        new Command(
                                step.label + ": " + e.getKey(),
                                "",
                                () -> {
                                    window.go(step);
                                    press(e.getValue());
                                }))
                .toList();
    }

    /** A menu is opened, so that one chooses in it; anything else is pressed. */
    private static void press(ButtonBase button) {
        button.requestFocus();
        if (button instanceof MenuButton menu) {
            menu.show();
        } else {
            button.fire();
        }
    }

    private static void gather(Node node, Map<String, ButtonBase> found) {
        if (!node.isVisible()) {
            return;
        }
        if (node instanceof ButtonBase b && !b.isDisabled()) {
            String spoken = b.getAccessibleText();
            String name = spoken == null || spoken.isBlank() ? b.getText() : spoken;
            if (name != null && !name.isBlank()) {
                found.putIfAbsent(name.strip(), b);
            }
        } else if (node instanceof Parent p) {
            p.getChildrenUnmodifiable().forEach(child -> gather(child, found));
        }
    }
}
