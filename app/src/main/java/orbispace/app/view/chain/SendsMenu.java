package orbispace.app.view.chain;

import java.util.Optional;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import orbispace.app.desk.ChainModel;
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
            for (Source s : model.design().get().sources()) {
                Send send = r.sends().get(s.id());
                getItems().add(send == null ? unsent(r, s) : sent(r, s, send));
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

    private MenuItem item(String text, ReturnEdit edit) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> model.edit(edit));
        return item;
    }
}
