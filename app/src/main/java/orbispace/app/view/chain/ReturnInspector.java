package orbispace.app.view.chain;

import java.util.Optional;
import javafx.collections.MapChangeListener;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ChainModel;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.SendFields;
import orbispace.app.view.control.WhenSeen;
import orbispace.app.view.frame.Inspector;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Groups;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;

/** The chain of the chosen return as a path of small cards. */
public final class ReturnInspector extends Inspector {
    private final WhenSeen seen = new WhenSeen(this, this::show);
    private final ChainModel model;
    private final ReturnHead head;
    private final ChainCards cards;
    private String shape = "";

    /** An inspector of the return that is chosen. */
    public ReturnInspector(ChainModel model) {
        this.model = model;
        getStyleClass().add("inspector");
        head = new ReturnHead(model);
        cards = new ChainCards(model);
        ScrollPane scroll = new ScrollPane(cards);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        listen();
        seen.run();
    }

    private void listen() {
        // What is measured of other returns is not shown here.
        MapChangeListener<String, Object> changed =
                c -> {
                    if (c.getKey().equals(model.selection().returnId().get())) {
                        seen.run();
                    }
                };
        model.design().addListener((o, was, is) -> seen.run());
        model.selection().returnId().addListener((o, was, is) -> seen.run());
        model.selection().folded().addListener((o, was, is) -> seen.run());
        model.measured().pictures().addListener(changed);
        model.measured().survey().found().addListener((o, was, is) -> seen.run());
        model.selection().section().addListener((o, was, is) -> seen.run());
        model.settling().byReturn().addListener(changed);
    }

    @Override
    public void setPalette(Palette given) {
        head.setPalette(given);
        cards.setPalette(given);
    }

    private void show() {
        Optional<Return> r = model.chosenReturn();
        head.refresh();
        if (r.isEmpty()) {
            cards.getChildren().clear();
            shape = "";
            return;
        }
        Design design = model.design().get();
        String now =
                shapeOf(r.get())
                        + WetCard.shape(design, Optional.of(Purposes.of(design, r.get())))
                        + WetCard.shape(design, Optional.empty())
                        + SendFields.rows(model, r.get()).stream().map(Groups.Row::name).toList();
        if (!now.equals(shape)) {
            shape = now;
            KeptFocus.through(cards, () -> cards.build(r.get()));
        }
        cards.show(r.get());
    }

    /** What makes other cards necessary. */
    private static String shapeOf(Return r) {
        Drive drive = r.chain().drive();
        return r.id()
                + r.space().kindLabel()
                + (r.space() instanceof Space.Copies d ? d.copies().size() + "" + d.centre() : "")
                + (r.space() instanceof SplitPair s ? "" + s.left().kind() + s.right().kind() : "")
                + r.sends().keySet()
                + r.sends().values().stream().map(s -> s.gate() != null).toList()
                + r.feeds().keySet()
                + FilterRows.shape(r.filterIn())
                + FilterRows.shape(r.filterOut())
                + (drive == null ? "" : "drive" + drive.afterSpace() + drive.curve())
                + (r.gate() == null ? "" : "gate");
    }
}
