package orbispace.app.view.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SongModel;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.NameField;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.StepSize;
import orbispace.app.view.control.WhenSeen;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.Group;
import orbispace.core.design.GroupEdit;
import orbispace.core.design.Groups;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.design.StemKind;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/**
 * Many stems at once: a group with its fader, lean and sends, or whatever is picked. Each keeps its
 * distance from the others.
 */
final class ManyPanel extends VBox {
    private final SongModel model;
    private final NameField name;
    private final Label count = new Label();
    private final Choice<Role> role;
    private final Choice<StemKind> kind;
    private final NameField within;
    private final NumberField fader;
    private final NumberField lean;
    private final ManySends sends;
    private final SourceSections sections;
    private final HearButtons hear;
    private final MenuButton like = new MenuButton("Send like\u2026");
    private final VBox withinBox;
    private final Button leave = Plate.button("Leave the group", this::leave);

    ManyPanel(SongModel model) {
        this.model = model;
        sends = new ManySends(model);
        sections = new SourceSections(model);
        hear = new HearButtons(model.transport(), this::ids);
        name = new NameField("name of the group", this::named);
        name.getStyleClass().add("title-field");
        count.getStyleClass().add("caption");
        count.setWrapText(true);
        role = choice("role", Role.values(), Role::label, Source::withRole);
        kind = choice("kind", StemKind.values(), StemKind::label, Source::withKind);
        within = new NameField("in the group", this::laid);
        within.setPromptText("none");
        within.setPrefColumnCount(9);
        withinBox = StemPanel.under("IN THE GROUP", within);
        fader = fader();
        lean = lean();
        HBox levels = new HBox(14, fader, lean);
        HBox.setHgrow(fader, Priority.ALWAYS);
        HBox.setHgrow(lean, Priority.ALWAYS);
        like.getStyleClass().add("kind-menu");
        like.setOnShowing(e -> fillLike());
        VBox head = new VBox(0, name, count);
        head.getStyleClass().add("stem-head");
        FlowPane buttons = new FlowPane(6, 6, like, leave, Plate.button("Take out", this::takeOut));
        getChildren()
                .addAll(
                        head,
                        new HBox(10, StemPanel.under("ROLE", role), StemPanel.under("TAKEN", kind)),
                        withinBox,
                        levels,
                        hear,
                        StemPanel.under("IN SECTIONS", sections),
                        StemPanel.under("SENDS, dB", sends),
                        buttons);
        setSpacing(10);
        WhenSeen seen = new WhenSeen(this, this::refresh);
        model.design().addListener((o, was, is) -> seen.run());
        model.selection().picked().addListener((o, was, is) -> refresh());
        visibleProperty().addListener((o, was, is) -> refresh());
    }

    private <T> Choice<T> choice(
            String what,
            T[] values,
            Function<T, String> words,
            BiFunction<Source, T, Source> change) {
        return new Choice<>(
                what + " of all",
                List.of(values),
                words,
                value -> each(s -> change.apply(s, value), what));
    }

    /** The sources that are picked, in their order. */
    static List<Source> picked(SongModel model) {
        Set<String> ids = model.selection().picked().get();
        return model.design().get().sources().stream().filter(s -> ids.contains(s.id())).toList();
    }

    /** The group of which just all members are picked. */
    private Optional<Group> group() {
        Groups groups = Groups.of(model.design().get());
        List<Source> picked = picked(model);
        return groups.all().stream()
                .filter(g -> Set.copyOf(groups.members(g.name())).equals(Set.copyOf(picked)))
                .findFirst();
    }

    private Set<String> ids() {
        return model.selection().picked().get();
    }

    private NumberField fader() {
        return new NumberField(
                "fader",
                "dB from \u221290 to 24, such as \u22123",
                text -> {
                    OptionalDouble db = Entries.number(text, "dB");
                    return db.isPresent() && setFader(db.getAsDouble());
                },
                (way, size) -> setFader(faderDb() + way * gainStep(size)),
                model.problem()::set);
    }

    private double faderDb() {
        return group().map(Group::faderDb).orElse(0.0);
    }

    /** A group's fader stands somewhere; what is only picked is moved by so much. */
    private boolean setFader(double db) {
        Optional<Group> group = group();
        return edit(
                group.isPresent()
                        ? new GroupEdit.Fader(group.get().name(), Math.rint(10 * db) / 10)
                        : new GroupEdit.FadeTogether(ids(), db));
    }

    private NumberField lean() {
        return new NumberField(
                "lean, % right",
                "percent from \u221295 (left) to 95 (right)",
                text -> {
                    OptionalDouble share = Entries.number(text, "%");
                    return share.isPresent() && setLean(share.getAsDouble() / 100);
                },
                (way, size) ->
                        setLean(
                                Math.clamp(
                                        group().map(Group::lean).orElse(0.0) + way * panStep(size),
                                        -Group.MOST_LEAN,
                                        Group.MOST_LEAN)),
                model.problem()::set);
    }

    private boolean setLean(double share) {
        return group().filter(g -> edit(new GroupEdit.Lean(g.name(), share))).isPresent();
    }

    private static double gainStep(StepSize size) {
        return switch (size) {
            case FINE -> 0.1;
            case PLAIN -> 1;
            case COARSE -> 3;
        };
    }

    private static double panStep(StepSize size) {
        return gainStep(size) / 12;
    }

    private boolean edit(Edit edit) {
        return model.edit(edit);
    }

    private boolean each(UnaryOperator<Source> change, String what) {
        Set<String> ids = ids();
        return edit(
                new SourcesEdit(
                        model.design().get().sources().stream()
                                .map(s -> ids.contains(s.id()) ? change.apply(s) : s)
                                .toList(),
                        what + " of " + ids.size() + " stems"));
    }

    /** A group gets another name; what is only picked becomes a group of that name. */
    private boolean named(String text) {
        if (text.isBlank()) {
            return false;
        }
        Optional<Group> group = group();
        return edit(
                group.isPresent()
                        ? new GroupEdit.Named(group.get().name(), text.strip())
                        : new GroupEdit.Join(ids(), text.strip()));
    }

    private boolean laid(String text) {
        return group().filter(g -> edit(new GroupEdit.Within(g.name(), text.strip()))).isPresent();
    }

    private void leave() {
        Optional<Group> group = group();
        edit(
                group.isPresent()
                        ? new GroupEdit.Dissolve(group.get().name())
                        : new GroupEdit.Join(ids(), ""));
    }

    private void takeOut() {
        Set<String> ids = ids();
        edit(
                new SourcesEdit(
                        model.design().get().sources().stream()
                                .filter(s -> !ids.contains(s.id()))
                                .toList(),
                        "take out " + ids.size() + " stems"));
    }

    private void fillLike() {
        List<MenuItem> items = new ArrayList<>();
        for (Source s : model.design().get().sources()) {
            if (!ids().contains(s.id())) {
                MenuItem item = new MenuItem(s.name());
                item.setOnAction(e -> edit(new GroupEdit.SendLike(ids(), s.id())));
                items.add(item);
            }
        }
        like.getItems().setAll(items);
    }

    private void refresh() {
        List<Source> picked = picked(model);
        if (!isVisible() || picked.isEmpty()) {
            return;
        }
        Design design = model.design().get();
        Optional<Group> group = group();
        name.show(group.map(Group::name).orElse(""));
        name.setPromptText(picked.size() + " stems: name them as a group");
        count.setText(
                group.map(g -> picked.size() + " stems as one").orElse(picked.size() + " stems"));
        role.show(picked.getFirst().role());
        kind.show(picked.getFirst().kind());
        withinBox.setVisible(group.isPresent());
        withinBox.setManaged(group.isPresent());
        leave.setText(group.isPresent() ? "Dissolve the group" : "Leave the group");
        within.show(group.map(Group::within).orElse(""));
        fader.show(Wording.number(faderDb(), 1), group.isPresent() ? "dB" : "dB more");
        lean.setVisible(group.isPresent());
        lean.setManaged(group.isPresent());
        boolean grouped = picked.stream().anyMatch(s -> !s.group().isEmpty());
        leave.setVisible(grouped);
        leave.setManaged(grouped);
        lean.show(Wording.number(100 * group.map(Group::lean).orElse(0.0), 0), "%");
        sends.show(design, picked);
        sections.show(picked);
        hear.refresh();
    }
}
