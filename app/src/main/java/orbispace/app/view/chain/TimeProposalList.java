package orbispace.app.view.chain;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import orbispace.app.session.Drafting;
import orbispace.app.session.Session;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Return;
import orbispace.core.draft.TimeProposal;
import orbispace.core.draft.TimeProposals;

/** The times that the song asks of the chosen return, each with its why when it is pointed at. */
final class TimeProposalList extends VBox {
    private final Session session;
    private final TimeProposal.Subject subject;
    private final Label why = new Label();
    private List<TimeProposal> shown = List.of();

    TimeProposalList(Session session, TimeProposal.Subject subject) {
        super(3);
        this.session = session;
        this.subject = subject;
        why.getStyleClass().add("why");
        why.setWrapText(true);
        explain("");
    }

    void refresh(Return r) {
        List<TimeProposal> wanted =
                TimeProposals.of(
                                session.design().get(),
                                r,
                                Drafting.facts(
                                        session.design().get(),
                                        session.measured().materials(),
                                        session.selection().bar()))
                        .stream()
                        .filter(p -> p.subject() == subject)
                        .toList();
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
        Button button = Plate.small(p.label(), () -> session.edit(p.edit()));
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
