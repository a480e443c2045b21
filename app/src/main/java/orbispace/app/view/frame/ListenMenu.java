package orbispace.app.view.frame;

import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleGroup;
import orbispace.app.listen.Ears;
import orbispace.app.listen.Transport;
import orbispace.core.words.Wording;

/** How it is listened to, in words: mono, wet alone, and what becomes of the rest in a solo. */
public final class ListenMenu extends MenuButton {
    private static final double[] DIMS = {-6, -12, -18, -24, Transport.SILENT_DB};

    private final Transport transport;

    public ListenMenu(Transport transport, Ears ears) {
        this.transport = transport;
        getStyleClass().add("kind-menu");
        setAccessibleText("how to listen");
        CheckMenuItem wet = new CheckMenuItem("Only the returns (W)");
        wet.selectedProperty().bindBidirectional(transport.wetOnly());
        CheckMenuItem mono = new CheckMenuItem("Both sides as one (M)");
        mono.selectedProperty().bindBidirectional(transport.mono());
        CheckMenuItem alone = new CheckMenuItem("A soloed return without the sources");
        alone.selectedProperty().bindBidirectional(transport.returnAlone());
        MenuItem all = new MenuItem("Take back every solo and mute");
        all.setOnAction(e -> transport.hearAll());
        CheckMenuItem told = new CheckMenuItem("Tell how long the ears have worked, under Prove");
        told.selectedProperty().bindBidirectional(ears.told());
        getItems()
                .addAll(
                        mono,
                        wet,
                        all,
                        new SeparatorMenuItem(),
                        alone,
                        dims(),
                        new SeparatorMenuItem(),
                        told);
        transport.wetOnly().addListener((o, was, is) -> say());
        transport.mono().addListener((o, was, is) -> say());
        transport.soloed().addListener((o, was, is) -> say());
        transport.muted().addListener((o, was, is) -> say());
        transport.soloReturn().addListener((o, was, is) -> say());
        transport.dimDb().addListener((o, was, is) -> say());
        transport.returnAlone().addListener((o, was, is) -> say());
        say();
    }

    private Menu dims() {
        Menu menu = new Menu("In a soloed source, turn the others down");
        ToggleGroup group = new ToggleGroup();
        for (double db : DIMS) {
            RadioMenuItem item = new RadioMenuItem(dim(db));
            item.setToggleGroup(group);
            item.setSelected(db == transport.dimDb().get());
            item.setOnAction(e -> transport.dimDb().set(db));
            menu.getItems().add(item);
        }
        return menu;
    }

    /** A dimming in words. */
    public static String dim(double db) {
        return db <= Transport.SILENT_DB ? "to silence" : "by " + Wording.number(-db, 0) + " dB";
    }

    private void say() {
        String heard = heard();
        boolean mono = transport.mono().get();
        if (heard.isEmpty()) {
            setText(mono ? "in mono" : "all heard");
        } else {
            setText(heard + (mono ? ", mono" : ""));
        }
    }

    private String heard() {
        String alone = transport.soloReturn().get();
        if (transport.wetOnly().get()) {
            return "wet alone";
        }
        int soloed = transport.soloed().get().size();
        if (soloed > 0) {
            double db = transport.dimDb().get();
            String few = soloed == 1 ? "one source" : soloed + " sources";
            return db <= Transport.SILENT_DB ? few : "rest " + Wording.number(db, 0);
        }
        if (!transport.muted().get().isEmpty()) {
            return transport.muted().get().size() + " muted";
        }
        if (alone.isEmpty()) {
            return "";
        }
        return (transport.returnAlone().get() ? "just " : "dry, ") + alone;
    }
}
