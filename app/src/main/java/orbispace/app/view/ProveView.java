package orbispace.app.view;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import orbispace.app.draw.Palette;
import orbispace.app.session.Proving;
import orbispace.app.session.Session;
import orbispace.core.prove.Snapshot;

/** What the work changed, whether one hears it, what each return costs, and findings. */
final class ProveView extends Screen {
    private static final double HEAD = 46;
    private static final double BAR = 34;
    private static final double BEAM = 96;
    private static final double TRIAL = 188;
    private static final double EARS = 42;

    private final Proving proving;
    private final PairBeam beam;
    private final TrialPanel trial;
    private final CostTable costs;
    private final FindingsPanel findings;
    private final EarsLine ears;
    private final HBox bar = new HBox(6);
    private final MenuButton snapshots = new MenuButton("Snapshots");
    private final TextField name = new TextField();

    ProveView(Session session) {
        super(session, "Prove");
        proving = session.proving();
        beam = new PairBeam(session);
        trial = new TrialPanel(session);
        costs = new CostTable(session);
        findings = new FindingsPanel(session);
        ears = new EarsLine(session);
        Button keep = Plate.button("Take a snapshot", this::keep);
        name.setAccessibleText("name of the snapshot");
        name.setOnAction(e -> keep());
        HBox.setHgrow(name, Priority.SOMETIMES);
        name.setMaxWidth(220);
        snapshots.getStyleClass().add("kind-menu");
        snapshots.setAccessibleText("snapshots");
        snapshots.setOnShowing(e -> fill());
        snapshots.getItems().add(new MenuItem(""));
        Label what = new Label("Compare, restore or forget:");
        what.getStyleClass().add("caption");
        bar.getChildren().addAll(keep, name, Plate.spring(), what, snapshots);
        bar.setAlignment(Pos.CENTER_LEFT);
        fill(beam, bar, trial, costs, ears);
        session.design().addListener((o, was, is) -> refreshWhenSeen());
        session.before().addListener((o, was, is) -> refreshWhenSeen());
        session.measured().mix().addListener((o, was, is) -> refreshWhenSeen());
        session.measured()
                .materials()
                .addListener(
                        (javafx.collections.MapChangeListener<Object, Object>)
                                c -> refreshWhenSeen());
        proving.proven().addListener((o, was, is) -> refreshWhenSeen());
        proving.logbook().addListener((o, was, is) -> refreshWhenSeen());
        proving.trial().addListener((o, was, is) -> refreshWhenSeen());
        refreshWhenSeen();
    }

    private void keep() {
        proving.snapshot(name.getText().isBlank() ? proving.freshName() : name.getText());
        name.clear();
    }

    private void fill() {
        snapshots.getItems().clear();
        for (Snapshot s : proving.logbook().get().snapshots()) {
            snapshots
                    .getItems()
                    .add(item("Compare with " + s.name(), () -> proving.compareWith(s)));
            snapshots.getItems().add(item("Restore " + s.name(), () -> proving.restore(s)));
            snapshots.getItems().add(item("Forget " + s.name(), () -> proving.forget(s)));
        }
        if (snapshots.getItems().isEmpty()) {
            snapshots.getItems().add(item("None yet", () -> {}));
        }
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> action.run());
        return item;
    }

    @Override
    void refresh() {
        caption("what the work changed, and whether one hears it");
        name.setPromptText(proving.freshName());
        int n = proving.logbook().get().snapshots().size();
        snapshots.setText(n == 0 ? "No snapshots" : n == 1 ? "1 snapshot" : n + " snapshots");
        beam.repaint();
        trial.refresh();
        costs.repaint();
        findings.refresh();
        ears.refresh();
        proving.measure();
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth() - 32;
        Plate.place(beam, 16, HEAD, w, BEAM);
        Plate.place(bar, 16, HEAD + BEAM + 6, w, BAR);
        double y = HEAD + BEAM + BAR + 18;
        Plate.place(trial, 16, y, w, TRIAL);
        Plate.place(
                costs,
                16,
                y + TRIAL + 14,
                w,
                Math.max(60, getHeight() - y - TRIAL - 14 - EARS - 16));
        Plate.place(ears, 16, getHeight() - EARS - 8, w, EARS);
        super.layoutChildren();
    }

    @Override
    Region inspector() {
        return findings;
    }

    @Override
    void setPalette(Palette palette) {
        beam.setPalette(palette);
        trial.setPalette(palette);
        costs.setPalette(palette);
    }

    @Override
    String keys() {
        return "Blind trial: begin it, then 1 and 2 answer, left and right let A and B be heard, up"
                + " or X lets X be heard, Escape ends it without a result. Tab to the findings:"
                + " Enter presses what is in focus.";
    }
}
