package orbispace.app.view.prove;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import javafx.geometry.Insets;
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
import orbispace.core.design.Design;
import orbispace.core.design.Groups;
import orbispace.core.design.Source;
import orbispace.core.prove.Finding;
import orbispace.core.prove.FindingLine;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;

/**
 * Findings as cards with evidence, reason and remedies, those of one kind folded into one that can
 * be pressed and accepted as a whole; what brings most comes first, and a line says where to stop.
 * Those accepted stand last, with why.
 */
final class FindingsPanel extends VBox {
    private final ProveModel model;
    private final Proving proving;
    private final Label count = new Label();
    private final VBox cards = new VBox(8);
    private final Set<String> unfolded = new HashSet<>();
    private final TextField filter = new TextField();
    private String asking = "";

    FindingsPanel(ProveModel model) {
        this.model = model;
        proving = model.proving();
        getStyleClass().add("inspector");
        Label title = new Label("Findings");
        title.getStyleClass().add("inspector-title");
        count.getStyleClass().add("caption");
        filter.setPromptText("only those about \u2026");
        filter.setAccessibleText("show only findings about a stem, a group, a return or a word");
        filter.textProperty().addListener((o, was, is) -> refresh());
        VBox head = new VBox(-2, title, count, filter);
        VBox.setMargin(filter, new Insets(6, 0, 0, 0));
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
        boolean stopped = false;
        for (FindingLine line : FindingLine.of(open.stream().filter(this::asked).toList())) {
            if (line.severity() == Severity.KNOW && !stopped) {
                Label stop = new Label(FindingLine.STOP);
                stop.setWrapText(true);
                stop.getStyleClass().add("why");
                cards.getChildren().add(stop);
                stopped = true;
            }
            cards.getChildren().add(line.isFolded() ? folded(line) : card(line.first()));
            if (line.isFolded() && unfolded.contains(kind(line))) {
                line.findings().forEach(f -> cards.getChildren().add(card(f)));
            }
        }
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
        String name = name(f.subject());
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
        Button accept = Plate.small("Accept", () -> ask(key(f)));
        accept.setAccessibleText("accept " + f.rule() + " " + f.subject());
        Button show = Plate.small("Show me", () -> show(f));
        show.setAccessibleText("show " + f.rule() + " " + f.subject());
        HBox row = new HBox(6, accept, Plate.spring(), show);
        VBox box = new VBox(5, head, evidence, why, remedies, row);
        if (asking.equals(key(f))) {
            box.getChildren().add(reason(f.rule(), said -> proving.accept(f, said)));
        }
        box.getStyleClass()
                .addAll(
                        "chain-card",
                        "finding-card",
                        f.severity() == Severity.ACT ? "act" : "weigh");
        return Plate.clip(box);
    }

    /**
     * Whether a finding is about what is asked for: a name, a letter, a rule, the words of it, or a
     * group, of which all stems' findings can then be settled or accepted.
     */
    private boolean asked(Finding f) {
        Design design = model.design().get();
        List<String> names = new ArrayList<>(List.of(name(f.subject())));
        design.findSource(f.subject())
                .ifPresent(s -> Groups.of(design).around(s).forEach(g -> names.add(g.name())));
        return f.isAbout(filter.getText(), names);
    }

    private static String kind(FindingLine line) {
        return line.severity() == Severity.KNOW ? "" : line.first().rule();
    }

    private String name(String id) {
        return model.design().get().findSource(id).map(Source::name).orElse(id);
    }

    private Node folded(FindingLine line) {
        Label title = new Label(line.title(this::name));
        title.getStyleClass().add("row-name");
        Label severity = new Label(line.severity().label());
        severity.getStyleClass().add("caps");
        HBox head = new HBox(6, title, Plate.spring(), severity);
        head.setAlignment(Pos.CENTER_LEFT);
        Label subjects = new Label(line.subjects(this::name));
        subjects.setWrapText(true);
        subjects.getStyleClass().add("caption");
        FlowPane presses = new FlowPane(6, 6);
        if (line.severity() != Severity.KNOW) {
            if (line.settled() > 0) {
                presses.getChildren()
                        .add(
                                Plate.small(
                                        "Settle " + line.settled() + gain(line),
                                        () -> proving.settle(line, line.title(this::name))));
            }
            presses.getChildren().add(Plate.small("Accept all", () -> ask(kind(line))));
        }
        boolean open = unfolded.contains(kind(line));
        presses.getChildren()
                .add(
                        Plate.small(
                                open ? "Fold" : "Show each",
                                () -> {
                                    if (!unfolded.remove(kind(line))) {
                                        unfolded.add(kind(line));
                                    }
                                    refresh();
                                }));
        VBox box = new VBox(5, head, subjects, presses);
        if (asking.equals(kind(line)) && line.severity() != Severity.KNOW) {
            box.getChildren()
                    .add(
                            reason(
                                    kind(line),
                                    said -> line.findings().forEach(f -> proving.accept(f, said))));
        }
        box.getStyleClass()
                .addAll(
                        "chain-card",
                        "finding-card",
                        line.severity() == Severity.ACT ? "act" : "weigh");
        return Plate.clip(box);
    }

    private static String gain(FindingLine line) {
        return line.brings()
                .filter(b -> b.amount() > 0)
                .map(b -> ": up to " + b.words())
                .orElse("");
    }

    private static String key(Finding f) {
        return f.rule() + "|" + f.subject();
    }

    private void ask(String what) {
        asking = what;
        refresh();
        cards.lookupAll(".text-field").stream().findFirst().ifPresent(Node::requestFocus);
    }

    private Node reason(String rule, Consumer<String> accept) {
        TextField why = new TextField();
        why.setPromptText("say why, and press Enter");
        why.setAccessibleText("why " + rule + " is accepted");
        why.setOnAction(e -> {
            asking = "";
            accept.accept(why.getText());
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
