package orbispace.app.view;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import orbispace.app.draw.Palette;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Proving;
import orbispace.app.session.Session;
import orbispace.core.prove.Snapshot;

/** What the work changed, whether one hears it, what each return costs, and findings. */
final class ProveView extends Screen {
    private static final double HEAD = 46;
    private static final double BAR = 34;
    private static final double BEAM = 84;
    private static final double TRIAL = 200;
    private static final double LEFT_SHARE = 0.44;
    private static final double EARS = 42;
    private static final double GAP = 20;
    private static final double LOWER = 270;

    private final Proving proving;
    private final PairBeam beam;
    private final TrialPanel trial;
    private final CostTable costs;
    private final FindingsPanel findings;
    private final MonoPanel mono;
    private final TrackPanel track;
    private final EarsLine ears;
    private final HBox bar = new HBox(6);
    private final MenuButton snapshots = new MenuButton("Snapshots");
    private final TextField name = new TextField();
    private final MenuButton first = new MenuButton("Before");
    private final MenuButton second = new MenuButton("After");

    ProveView(Session session) {
        super(session, "Prove");
        proving = session.proving();
        beam = new PairBeam(session);
        trial = new TrialPanel(session);
        costs = new CostTable(session);
        findings = new FindingsPanel(session);
        mono = new MonoPanel(session);
        track = new TrackPanel(session);
        ears = new EarsLine(session);
        Button keep = Plate.button("Take a snapshot", this::keep);
        name.setAccessibleText("name of the snapshot");
        name.setOnAction(e -> keep());
        HBox.setHgrow(name, Priority.SOMETIMES);
        name.setMaxWidth(130);
        snapshots.getStyleClass().add("kind-menu");
        snapshots.setAccessibleText("snapshots");
        snapshots.setOnShowing(e -> fill());
        snapshots.getItems().add(new MenuItem(""));
        for (MenuButton side : List.of(first, second)) {
            side.getStyleClass().add("kind-menu");
            side.getItems().add(new MenuItem(""));
        }
        first.setAccessibleText("what is heard before");
        second.setAccessibleText("what is heard after");
        first.setOnShowing(e -> fill(first, true));
        second.setOnShowing(e -> fill(second, false));
        bar.getChildren()
                .addAll(first, Plate.spring(), keep, name, snapshots, Plate.spring(), second);
        bar.setAlignment(Pos.CENTER_LEFT);
        fill(beam, bar, trial, costs, mono, track, ears);
        session.design().addListener((o, was, is) -> refreshWhenSeen());
        session.pair().before().addListener((o, was, is) -> refreshWhenSeen());
        session.pair().other().addListener((o, was, is) -> refreshWhenSeen());
        session.measured().mix().addListener((o, was, is) -> refreshWhenSeen());
        session.measured()
                .materials()
                .addListener(
                        (javafx.collections.MapChangeListener<Object, Object>)
                                c -> refreshWhenSeen());
        proving.proven().addListener((o, was, is) -> refreshWhenSeen());
        session.log().book().addListener((o, was, is) -> refreshWhenSeen());
        proving.trial().addListener((o, was, is) -> refreshWhenSeen());
        session.references().held().addListener((o, was, is) -> refreshWhenSeen());
        session.selection().section().addListener((o, was, is) -> refreshWhenSeen());
        refreshWhenSeen();
    }

    private void keep() {
        session.log()
                .snapshot(name.getText().isBlank() ? session.log().freshName() : name.getText());
        name.clear();
    }

    private void fill() {
        snapshots.getItems().clear();
        for (Snapshot s : session.log().book().get().snapshots()) {
            snapshots
                    .getItems()
                    .add(item("Compare with " + s.name(), () -> session.log().compareWith(s)));
            snapshots.getItems().add(item("Restore " + s.name(), () -> session.log().restore(s)));
            snapshots.getItems().add(item("Forget " + s.name(), () -> session.log().forget(s)));
        }
        if (snapshots.getItems().isEmpty()) {
            snapshots.getItems().add(item("None yet", () -> {}));
        }
    }

    /** Everything that can stand on one side of the pair. */
    private void fill(MenuButton side, boolean isFirst) {
        side.getItems().clear();
        MenuItem now =
                item(
                        "The field as it stands",
                        () -> {
                            if (isFirst) {
                                session.pair().keepAsBefore();
                            } else {
                                session.pair().second(null);
                            }
                        });
        side.getItems().add(now);
        for (ComparedPair.Named n : proving.comparable()) {
            side.getItems()
                    .add(
                            item(
                                    n.name(),
                                    () -> {
                                        if (isFirst) {
                                            session.pair().first(n);
                                        } else {
                                            session.pair().second(n);
                                        }
                                    }));
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
        name.setPromptText(session.log().freshName());
        int n = session.log().book().get().snapshots().size();
        snapshots.setText(n == 0 ? "No snapshots" : n == 1 ? "1 snapshot" : n + " snapshots");
        beam.repaint();
        trial.refresh();
        costs.repaint();
        mono.refresh();
        track.refresh();
        findings.refresh();
        ears.refresh();
        proving.measure();
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth() - 32;
        Plate.place(beam, 16, HEAD, w, BEAM);
        Plate.place(bar, 16, HEAD + BEAM + 6, w, BAR);
        double y = HEAD + BEAM + BAR + 14;
        double left = Math.round(LEFT_SHARE * w);
        double right = w - left - GAP;
        double below = getHeight() - EARS - 16;
        double upper = TRIAL + Math.max(0, (below - y - TRIAL - LOWER) / 2);
        Plate.place(trial, 16, y, left, upper);
        Plate.place(costs, 16 + left + GAP, y, right, upper);
        double lower = y + upper + 14;
        Plate.place(mono, 16, lower, left, below - lower);
        Plate.place(track, 16 + left + GAP, lower, right, below - lower);
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
        mono.setPalette(palette);
        track.setPalette(palette);
    }

    @Override
    String keys() {
        return "Blind trial: begin it, then 1 and 2 answer, left and right let A and B be heard, up"
                + " or X lets X be heard, Escape ends it without a result. R: the reference or"
                + " the mix. Tab to the findings: Enter presses what is in focus.";
    }
}
