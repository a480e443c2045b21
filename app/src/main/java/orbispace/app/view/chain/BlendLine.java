package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ChainModel;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Blend;
import orbispace.core.design.BlendEdit;
import orbispace.core.design.Design;
import orbispace.core.design.Group;
import orbispace.core.design.Groups;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/**
 * Takes in a return that is partly wet where it comes from: says at which level it sounds the same
 * fully wet, and what the dry that leaked had added, before anything is changed.
 */
final class BlendLine extends VBox {
    private static final double HEARD_DB = 0.05;

    private final ChainModel model;
    private final NumberField share;
    private final Choice<Blend.Law> law;
    private final Label words = new Label();
    private final VBox entered;
    private final Button open = Plate.small("It was partly wet\u2026", this::open);
    private String of = "";
    private Blend blend = new Blend(1, Blend.Law.STRAIGHT);

    BlendLine(ChainModel model) {
        super(4);
        this.model = model;
        open.setAccessibleText("take in a return that was partly wet");
        share =
                new NumberField(
                        "share that is wet",
                        "percent from 1 to 100",
                        this::typed,
                        (way, size) -> blend(blend.share() + way * size.steps() / 100),
                        model.problem()::set);
        law =
                new Choice<>(
                        "how the unit goes from dry to wet",
                        List.of(Blend.Law.values()),
                        Blend.Law::label,
                        l -> {
                            blend = new Blend(blend.share(), l);
                            show();
                        });
        words.getStyleClass().add("why");
        words.setWrapText(true);
        FlowPane buttons =
                new FlowPane(
                        4,
                        4,
                        Plate.small("Take it in", () -> take(false)),
                        Plate.small("Take it in, raise the sources", () -> take(true)),
                        Plate.small("Leave it", this::close));
        entered = new VBox(4, new HBox(10, share, law), words, buttons);
        getChildren().addAll(open, entered);
        close();
    }

    private void open() {
        of = model.selection().returnId().get();
        blend = new Blend(0.5, blend.law());
        shown(true);
        show();
        share.requestFocus();
    }

    private void close() {
        shown(false);
    }

    private void shown(boolean is) {
        entered.setVisible(is);
        entered.setManaged(is);
        open.setVisible(!is);
        open.setManaged(!is);
    }

    private boolean typed(String text) {
        OptionalDouble value = Entries.percent(text);
        return value.isPresent() && blend(value.getAsDouble());
    }

    private boolean blend(double value) {
        if (value < 0.01 || value > 1) {
            return false;
        }
        blend = new Blend(value, blend.law());
        show();
        return true;
    }

    private void take(boolean raising) {
        Optional<Return> r = model.chosenReturn();
        r.ifPresent(x -> {
            if (model.edit(new BlendEdit(x.id(), blend, raising), words(x))) {
                close();
            }
        });
    }

    /** Shows what the chosen return would become. */
    void show() {
        if (!of.equals(model.selection().returnId().get())) {
            close();
        }
        share.show(Wording.number(100 * blend.share(), 0), "%");
        law.show(blend.law());
        words.setText(model.chosenReturn().map(this::words).orElse(""));
    }

    private String words(Return r) {
        Design design = model.design().get();
        String raised = raised(design, blend.raisedDb(design, r));
        return Wording.percent(blend.share(), 0)
                + " wet at "
                + Wording.db(r.levelDb())
                + " sounds as fully wet at "
                + Wording.db(blend.levelDb(r))
                + (raised.isEmpty()
                        ? "; the dry that leaked added nothing to be heard"
                        : "; the dry that leaked had raised " + raised);
    }

    /** What was raised by how much: those that were raised alike together, groups as one. */
    private static String raised(Design design, Map<String, Double> raisedDb) {
        Function<Source, String> by =
                s -> Wording.number(Objects.requireNonNull(raisedDb.get(s.id())), 1) + " dB";
        List<Source> heard =
                design.sources().stream()
                        .filter(s -> raisedDb.getOrDefault(s.id(), 0.0) >= HEARD_DB)
                        .toList();
        Groups groups = Groups.of(design);
        Set<String> alike =
                groups.all().stream()
                        .map(Group::name)
                        .filter(g ->
                                heard.containsAll(groups.members(g))
                                        && groups.members(g).stream().map(by).distinct().count()
                                                == 1)
                        .collect(Collectors.toSet());
        Map<String, List<String>> amounts = new LinkedHashMap<>();
        for (Groups.Row row : groups.rows(heard, alike)) {
            amounts.computeIfAbsent(by.apply(row.sources().getFirst()), a -> new ArrayList<>())
                    .add(row.name());
        }
        return amounts.entrySet().stream()
                .map(e -> String.join(", ", e.getValue()) + " by " + e.getKey())
                .collect(Collectors.joining("; "));
    }
}
