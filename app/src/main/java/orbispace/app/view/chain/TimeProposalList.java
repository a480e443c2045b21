package orbispace.app.view.chain;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ChainModel;
import orbispace.app.view.control.Plate;
import orbispace.core.draft.TimeProposal;

/** The times that the song asks of the chosen return, each with its why when it is pointed at. */
final class TimeProposalList extends VBox {
    private final ChainModel model;
    private final TimeProposal.Subject subject;
    private final Label why = new Label();
    private List<TimeProposal> shown = List.of();

    TimeProposalList(ChainModel model, TimeProposal.Subject subject) {
        super(3);
        this.model = model;
        this.subject = subject;
        why.getStyleClass().add("why");
        why.setWrapText(true);
        explain("");
    }

    /** Shows those of all times that are proposed which are about this. */
    void show(List<TimeProposal> all) {
        List<TimeProposal> wanted = all.stream().filter(p -> p.subject() == subject).toList();
        if (!wanted.equals(shown)) {
            shown = wanted;
            getChildren().clear();
            wanted.forEach(p -> getChildren().add(button(p)));
            explain("");
            if (!wanted.isEmpty()) {
                getChildren().add(why);
            }
        }
        setManaged(!wanted.isEmpty());
        setVisible(!wanted.isEmpty());
    }

    private Button button(TimeProposal p) {
        Button button = Plate.small(p.label(), () -> model.edit(p.edit()));
        button.setTooltip(new Tooltip(p.why()));
        button.setAccessibleText("set " + p.label());
        button.setAccessibleHelp(p.why());
        button.hoverProperty().addListener((o, was, is) -> explain(is ? p.why() : ""));
        button.focusedProperty().addListener((o, was, is) -> explain(is ? p.why() : ""));
        return button;
    }

    private void explain(String text) {
        why.setText(text);
        why.setManaged(!text.isEmpty());
    }
}
