package orbispace.app.view.sheet;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SheetModel;
import orbispace.app.draw.Palette;
import orbispace.app.session.LogKeeping;
import orbispace.app.view.control.NameField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.control.SnapshotCoin;
import orbispace.core.prove.log.Snapshot;
import orbispace.core.render.Responses;
import orbispace.files.sheet.SheetDifferences;

/** A snapshot: its coin, name and note, what differs from it now, compare, restore, forget. */
final class SnapshotCard extends VBox {
    private static final double RADIUS = 22;
    private static final int MOST = 40;
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM HH:mm");

    private final ScalingCanvas coin;

    SnapshotCard(SheetModel model, Snapshot snapshot, Palette palette) {
        super(4);
        LogKeeping log = model.log();
        Responses responses = model.stems().sound().map(m -> m.responses()).orElse(Responses.NONE);
        coin = SnapshotCoin.of(snapshot.design(), responses, RADIUS);
        coin.setPalette(palette);
        NameField name =
                new NameField(
                        "name of snapshot " + snapshot.name(),
                        text -> log.rename(snapshot, text, snapshot.note()));
        name.show(snapshot.name());
        name.getStyleClass().add("return-name");
        NameField note =
                new NameField(
                        "note of snapshot " + snapshot.name(),
                        text -> log.rename(snapshot, snapshot.name(), text));
        note.show(snapshot.note());
        note.setPromptText("a note");
        Label when = new Label(WHEN.format(snapshot.made().atZone(ZoneId.systemDefault())));
        when.getStyleClass().add("caps");
        VBox words = new VBox(2, when, name, note);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox head = new HBox(8, coin, words);
        head.setAlignment(Pos.TOP_LEFT);
        VBox list = new VBox(3);
        Button differs =
                action("Differences", snapshot, () -> show(list, log.differences(snapshot)));
        HBox actions =
                new HBox(
                        4,
                        action("Compare", snapshot, () -> log.compareWith(snapshot)),
                        action("Restore", snapshot, () -> log.restore(snapshot)),
                        differs,
                        action("Forget", snapshot, () -> log.forget(snapshot)));
        getChildren().addAll(head, actions, list);
        getStyleClass().add("chain-card");
        Plate.clip(this);
    }

    void setPalette(Palette palette) {
        coin.setPalette(palette);
    }

    private static Button action(String text, Snapshot of, Runnable act) {
        Button button = Plate.small(text, act);
        button.setAccessibleText(
                text.toLowerCase(java.util.Locale.ROOT) + " snapshot " + of.name());
        return button;
    }

    /** Side by side: what it is in the snapshot, and what it is now. Pressed again, it goes. */
    private static void show(VBox list, List<SheetDifferences.Difference> all) {
        if (!list.getChildren().isEmpty()) {
            list.getChildren().clear();
            return;
        }
        if (all.isEmpty()) {
            list.getChildren().add(words("The field is as it was.", "caption", 240));
        }
        for (SheetDifferences.Difference d : all.subList(0, Math.min(MOST, all.size()))) {
            Label what = words((d.subject() + " " + d.label()).strip(), "caps", 240);
            Label then = words(d.from().isEmpty() ? "not there" : d.from(), "caption", 116);
            Label now = words(d.to().isEmpty() ? "gone" : d.to(), "row-state", 116);
            list.getChildren().add(new VBox(what, new HBox(8, then, now)));
        }
        if (all.size() > MOST) {
            list.getChildren().add(words("and " + (all.size() - MOST) + " more", "caption", 240));
        }
    }

    private static Label words(String text, String style, double width) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(USE_PREF_SIZE);
        label.setMinWidth(width);
        label.setMaxWidth(width);
        label.getStyleClass().add(style);
        return label;
    }
}
