package orbispace.app.view.song;

import java.util.Set;
import java.util.function.Supplier;
import javafx.beans.binding.Bindings;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import orbispace.app.listen.Transport;
import orbispace.app.view.control.Plate;
import orbispace.app.view.frame.ListenMenu;

/** Solo and mute of a stem, or of all stems of a group at once. */
final class HearButtons extends HBox {
    private final Transport transport;
    private final Supplier<Set<String>> ids;
    private final ToggleButton solo = Plate.toggle("", "hear this with the rest dimmed");
    private final ToggleButton mute = Plate.toggle("Mute", "hear neither this nor its sends");

    /** Buttons over the sources of these ids. */
    HearButtons(Transport transport, Supplier<Set<String>> ids) {
        super(6);
        this.transport = transport;
        this.ids = ids;
        solo.textProperty()
                .bind(
                        Bindings.createStringBinding(
                                () -> "Solo, the rest " + ListenMenu.dim(transport.dimDb().get()),
                                transport.dimDb()));
        solo.setOnAction(
                e -> transport.set().set(transport.set().get().solo(ids.get(), solo.isSelected())));
        mute.setOnAction(
                e -> transport.set().set(transport.set().get().mute(ids.get(), mute.isSelected())));
        getChildren().addAll(solo, mute);
        transport.set().addListener((o, was, is) -> refresh());
    }

    /** Shows what is soloed and muted now. */
    void refresh() {
        Set<String> now = ids.get();
        solo.setSelected(!now.isEmpty() && transport.set().get().soloed().containsAll(now));
        mute.setSelected(!now.isEmpty() && transport.set().get().muted().containsAll(now));
    }
}
