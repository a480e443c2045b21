package orbispace.app.view.prove;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ProveModel;
import orbispace.app.desk.Proving;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Source;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;

/** Findings as cards with evidence, reason and remedies; those accepted with why. */
final class FindingsPanel extends VBox {
    private final ProveModel model;
    private final Proving proving;
    private final Label count = new Label();
    private final VBox cards = new VBox(8);
    private String asking = "";

    FindingsPanel(ProveModel model) {
        this.model = model;
        proving = model.proving();
        getStyleClass().add("inspector");
        Label title = new Label("Findings");
        title.getStyleClass().add("inspector-title");
        count.getStyleClass().add("caption");
        VBox head = new VBox(-2, title, count);
        head.getStyleClass().add("inspector-head");
        ScrollPane scroll = new ScrollPane(cards);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        setSpacing(10);
    }

    void refresh() {
        Proving.Proven known = proving.proven().get();
        List<Finding> open = proving.open();
        count.setText(
                known == null
                        ? "are being looked for"
                        : words(open, Severity.ACT)
                                + " to act on, "
                                + words(open, Severity.WEIGH)
                                + " to weigh, "
                                + words(open, Severity.KNOW)
                                + " to know");
        KeptFocus.through(cards, () -> remake(known != null, open));
    }

    private void remake(boolean known, List<Finding> open) {
        cards.getChildren().clear();
        open.forEach(f -> cards.getChildren().add(card(f)));
        if (known && open.isEmpty()) {
            Label none = new Label("Nothing is left to act on, weigh or know.");
            none.setWrapText(true);
            none.getStyleClass().add("why");
            cards.getChildren().add(none);
        }
        for (Finding f : proving.accepted()) {
            Label line =
                    new Label(
                            "Accepted: "
                                    + subject(f)
                                    + f.flag()
                                    + ". "
                                    + proving.reason(f).orElse(""));
            line.setWrapText(true);
            line.getStyleClass().add("caption");
            cards.getChildren().add(line);
        }
    }

    private static String words(List<Finding> open, Severity severity) {
        return String.valueOf(open.stream().filter(f -> f.severity() == severity).count());
    }

    private String subject(Finding f) {
        String name =
                model.design().get().findSource(f.subject()).map(Source::name).orElse(f.subject());
        return name.isEmpty() ? "" : name + ": ";
    }

    private Node card(Finding f) {
        Label title = new Label(subject(f) + f.flag());
        title.getStyleClass().add("row-name");
        title.setWrapText(true);
        Label severity = new Label(f.severity().label());
        severity.getStyleClass().add("caps");
        HBox head = new HBox(6, title, Plate.spring(), severity);
        head.setAlignment(Pos.CENTER_LEFT);
        Label evidence = new Label(f.evidence());
        evidence.setWrapText(true);
        evidence.getStyleClass().add("caption");
        Label why = new Label(f.why());
        why.setWrapText(true);
        why.getStyleClass().add("why");
        FlowPane remedies = new FlowPane(6, 6);
        for (Remedy r : f.remedies()) {
            Button press = Plate.small(r.label(), () -> proving.apply(f, r));
            press.setAccessibleText(r.label() + ", for " + subject(f) + f.flag());
            remedies.getChildren().add(press);
        }
        Button accept = Plate.small("Accept", () -> ask(f));
        accept.setAccessibleText("accept " + f.rule() + " " + f.subject());
        Button show = Plate.small("Show me", () -> show(f));
        show.setAccessibleText("show " + f.rule() + " " + f.subject());
        HBox row = new HBox(6, accept, Plate.spring(), show);
        VBox box = new VBox(5, head, evidence, why, remedies, row);
        if (asking.equals(key(f))) {
            box.getChildren().add(reason(f));
        }
        box.getStyleClass()
                .addAll(
                        "chain-card",
                        "finding-card",
                        f.severity() == Severity.ACT ? "act" : "weigh");
        return Plate.clip(box);
    }

    private static String key(Finding f) {
        return f.rule() + "|" + f.subject();
    }

    private void ask(Finding f) {
        asking = key(f);
        refresh();
        cards.lookupAll(".text-field").stream().findFirst().ifPresent(Node::requestFocus);
    }

    private Node reason(Finding f) {
        TextField why = new TextField();
        why.setPromptText("say why, and press Enter");
        why.setAccessibleText("why " + f.rule() + " is accepted");
        why.setOnAction(e -> {
            asking = "";
            proving.accept(f, why.getText());
        });
        return why;
    }

    /** Chooses what a finding is about, and goes where it shows. */
    private void show(Finding f) {
        if (model.design().get().findReturn(f.subject()).isPresent()) {
            model.selection().returnId().set(f.subject());
        } else if (model.design().get().findSource(f.subject()).isPresent()) {
            model.selection().sourceId().set(f.subject());
        }
        f.seconds().ifPresent(model.transport()::seek);
        model.selection().wanted().set(place(f));
    }

    private String place(Finding f) {
        if (model.design().get().findSource(f.subject()).isPresent()) {
            return "Song";
        }
        boolean thrown = f.rule().startsWith("throw-") || f.rule().equals("nothing-changes");
        return thrown ? "Plan" : "Orbit";
    }
}
