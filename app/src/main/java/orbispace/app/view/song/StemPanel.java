package orbispace.app.view.song;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.collections.MapChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SongModel;
import orbispace.app.draw.Palette;
import orbispace.app.song.Material;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.NameField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.WhenSeen;
import orbispace.app.view.frame.FileMenu;
import orbispace.core.design.GroupEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.design.StemKind;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;

/** The chosen stem: what it is, what was found wrong with it, and what was measured. */
final class StemPanel extends VBox {
    private final WhenSeen seen = new WhenSeen(this, this::show);
    private final SongModel model;
    private final FileMenu files;
    private final NameField name;
    private final Label file = new Label();
    private final Choice<Role> role;
    private final Choice<StemKind> kind;
    private final NameField group;
    private final StemLevels levels;
    private final ToneRows tone;
    private final SourceSections sections;
    private final VBox findings = new VBox(8);
    private final VBox facts = new VBox(6);
    private final VBox body;
    private final Label none = new Label("No stem is chosen.");
    private final HearButtons hear;
    private final SpectrumPlot spectrum = new SpectrumPlot();

    StemPanel(SongModel model, FileMenu files) {
        this.model = model;
        this.files = files;
        name = new NameField("name of the stem", text -> change("name", text));
        name.getStyleClass().add("title-field");
        file.getStyleClass().add("caption");
        role =
                new Choice<>(
                        "role",
                        List.of(Role.values()),
                        Role::label,
                        r -> edit(source().map(s -> s.withRole(r)), "role"));
        kind =
                new Choice<>(
                        "how it was taken",
                        List.of(StemKind.values()),
                        StemKind::label,
                        k -> edit(source().map(s -> s.withKind(k)), "kind of stem"));
        group = new NameField("group", text -> change("group", text));
        group.setPromptText("none");
        group.setPrefColumnCount(9);
        levels = new StemLevels(model);
        tone = new ToneRows(model);
        sections = new SourceSections(model);
        hear =
                new HearButtons(
                        model.transport(),
                        () -> source().map(s -> Set.of(s.id())).orElse(Set.of()));
        body = body();
        getChildren().addAll(none, body);
        listen();
        seen.run();
    }

    private VBox body() {
        HBox where = new HBox(10, under("ROLE", role), under("TAKEN", kind));
        VBox together = under("GROUP", group);
        FlowPane buttons =
                new FlowPane(
                        6,
                        6,
                        hear,
                        Plate.button(
                                "Take out",
                                () ->
                                        source().ifPresent(s ->
                                                model.edit(
                                                        SourcesEdit.without(
                                                                model.design().get(), s)))));
        VBox head = new VBox(0, name, file);
        head.getStyleClass().add("stem-head");
        spectrum.setPrefHeight(64);
        return new VBox(
                10,
                head,
                where,
                together,
                levels,
                tone,
                under("IN SECTIONS", sections),
                findings,
                facts,
                spectrum,
                buttons);
    }

    /** A control under its name. */
    static VBox under(String caps, Node control) {
        Label name = new Label(caps);
        name.getStyleClass().add("caps");
        return new VBox(2, name, control);
    }

    private void listen() {
        model.selection().sourceId().addListener((o, was, is) -> seen.run());
        model.design().addListener((o, was, is) -> seen.run());
        model.measured().survey().found().addListener((o, was, is) -> seen.run());
        model.measured().survey().findings().addListener((o, was, is) -> seen.run());
        model.stems().missing().addListener((MapChangeListener<Object, Object>) c -> seen.run());
    }

    void setPalette(Palette palette) {
        spectrum.setPalette(palette);
    }

    private Optional<Source> source() {
        return model.design().get().findSource(model.selection().sourceId().get());
    }

    private boolean edit(Optional<Source> changed, String what) {
        return changed.isPresent()
                && model.edit(SourcesEdit.of(model.design().get(), changed.get(), what));
    }

    private boolean change(String what, String text) {
        if (what.equals("name") && text.isEmpty()) {
            return false;
        }
        return what.equals("name")
                ? edit(source().map(s -> s.withName(text)), what)
                : source().filter(s -> model.edit(new GroupEdit.Join(Set.of(s.id()), text)))
                        .isPresent();
    }

    private void show() {
        Optional<Source> chosen = source();
        none.setVisible(chosen.isEmpty());
        none.setManaged(chosen.isEmpty());
        body.setVisible(chosen.isPresent());
        chosen.ifPresent(this::show);
    }

    private void show(Source s) {
        name.show(s.name());
        file.setText(s.file());
        role.show(s.role());
        kind.show(s.kind());
        hear.refresh();
        group.show(s.group());
        levels.show(s);
        tone.show(s.tone());
        sections.show(List.of(s));
        findings.getChildren().clear();
        facts.getChildren().clear();
        String missing = model.stems().missing().get(s.id());
        if (missing != null) {
            findings.getChildren().add(missingCard(s, missing));
        }
        for (Finding f : model.measured().survey().findings().get()) {
            if (f.subject().equals(s.id())) {
                findings.getChildren().add(card(f));
            }
        }
        Material m = model.measured().materials().get(s.id());
        spectrum.show(m == null ? null : m.facts().spectrum());
        if (m != null) {
            StemReadings.of(m, model.design().get().song())
                    .forEach(r -> facts.getChildren().add(ReadingCard.of(r)));
        }
    }

    private VBox missingCard(Source s, String words) {
        Label text = new Label(words);
        text.setWrapText(true);
        FlowPane buttons =
                new FlowPane(
                        6,
                        6,
                        Plate.button("Name the file\u2026", () -> files.relink(s)),
                        Plate.button("Search a folder\u2026", files::relinkFolder));
        VBox card = new VBox(6, text, buttons);
        card.getStyleClass().addAll("finding-card", "act");
        return card;
    }

    private VBox card(Finding f) {
        Label head = new Label(f.flag());
        head.getStyleClass().add("row-name");
        Label evidence = new Label(f.evidence());
        evidence.setWrapText(true);
        Label why = new Label(f.why());
        why.getStyleClass().add("why");
        why.setWrapText(true);
        FlowPane buttons = new FlowPane(6, 6);
        for (Remedy remedy : f.remedies()) {
            String label = remedy.label();
            buttons.getChildren()
                    .add(
                            Plate.button(
                                    label.substring(0, 1).toUpperCase(java.util.Locale.ROOT)
                                            + label.substring(1),
                                    () -> model.edit(remedy.edit())));
        }
        VBox card = new VBox(3, head, evidence, why);
        if (!f.remedies().isEmpty()) {
            buttons.getStyleClass().add("remedies");
            card.getChildren().add(buttons);
        }
        card.getStyleClass().add("finding-card");
        if (f.severity() == Severity.ACT) {
            card.getStyleClass().add("act");
        }
        return card;
    }
}
