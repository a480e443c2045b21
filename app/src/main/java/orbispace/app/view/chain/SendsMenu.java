package orbispace.app.view.chain;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import orbispace.app.desk.ChainModel;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.Group;
import orbispace.core.design.GroupEdit;
import orbispace.core.design.Groups;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Send;
import orbispace.core.design.Source;

/** What is sent and fed into the chosen return: in and out, gates, taps. */
final class SendsMenu extends MenuButton {
    private static final double NEW_SEND_DB = -12;

    private final ChainModel model;

    SendsMenu(ChainModel model) {
        super("Sends and feeds");
        this.model = model;
        getStyleClass().add("kind-menu");
        setAccessibleText("sends and feeds of this return");
        setOnShowing(e -> fill());
        getItems().add(new MenuItem(""));
    }

    private Optional<Return> chosen() {
        return model.design().get().findReturn(model.selection().returnId().get());
    }

    private void fill() {
        getItems().clear();
        chosen().ifPresent(r -> {
            Design design = model.design().get();
            Groups groups = Groups.of(design);
            Set<String> names = groups.all().stream().map(Group::name).collect(Collectors.toSet());
            for (Groups.Row row : groups.rows(design.sources(), names)) {
                boolean many = row.sources().size() > 1;
                Menu into = many ? group(r, row) : null;
                for (Source s : row.sources()) {
                    Send send = r.sends().get(s.id());
                    MenuItem item = send == null ? unsent(r, s) : sent(r, s, send);
                    (into == null ? getItems() : into.getItems()).add(item);
                }
            }
            for (Return other : model.design().get().returns()) {
                if (r.feeds().containsKey(other.id())) {
                    getItems().add(fed(r, other));
                }
            }
            for (Return other : model.field().possibleFeeds(r)) {
                if (!r.feeds().containsKey(other.id())) {
                    getItems()
                            .add(
                                    item(
                                            "Feed " + other.id() + " " + other.name(),
                                            new ReturnEdit.Feed(r.id(), other.id(), NEW_SEND_DB)));
                }
            }
        });
    }

    /** All of a group at once, and then each of its members. */
    private Menu group(Return r, Groups.Row row) {
        Menu menu = new Menu(row.name());
        String name = row.group().map(Group::name).orElse(row.name());
        boolean sent = row.sources().stream().anyMatch(s -> r.sends().containsKey(s.id()));
        menu.getItems()
                .add(
                        sent
                                ? item("Take all out", new GroupEdit.SendLevel(name, r.id(), null))
                                : item(
                                        "Send all",
                                        new GroupEdit.SendLevel(name, r.id(), NEW_SEND_DB)));
        menu.getItems().add(new SeparatorMenuItem());
        getItems().add(menu);
        return menu;
    }

    private MenuItem unsent(Return r, Source s) {
        return item(
                "Send " + s.name(), new ReturnEdit.Sending(r.id(), s.id(), Send.of(NEW_SEND_DB)));
    }

    private Menu sent(Return r, Source s, Send send) {
        Menu menu =
                new Menu(
                        s.name()
                                + (send.gate() == null ? "" : ", gated")
                                + (send.preFader() ? ", before its gain" : ""));
        menu.getItems().add(item("Take out", new ReturnEdit.Sending(r.id(), s.id(), null)));
        if (send.gate() == null) {
            MenuItem gate = new MenuItem("Let only its hits pass");
            gate.setOnAction(e -> model.field().gateSend(r, s.id()));
            menu.getItems().add(gate);
        } else {
            menu.getItems()
                    .add(
                            item(
                                    "Take its gate out",
                                    new ReturnEdit.Sending(r.id(), s.id(), send.withGate(null))));
        }
        menu.getItems()
                .add(
                        item(
                                send.preFader() ? "Tap after its gain" : "Tap before its gain",
                                new ReturnEdit.Sending(
                                        r.id(), s.id(), send.withPreFader(!send.preFader()))));
        return menu;
    }

    private MenuItem fed(Return r, Return other) {
        return item(
                "Take the feed of " + other.id() + " out",
                new ReturnEdit.Feed(r.id(), other.id(), null));
    }

    private MenuItem item(String text, Edit edit) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> model.edit(edit));
        return item;
    }
}
