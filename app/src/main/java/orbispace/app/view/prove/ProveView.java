package orbispace.app.view.prove;

import java.util.List;
import javafx.scene.layout.Region;
import orbispace.app.desk.ProveModel;
import orbispace.app.desk.Proving;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Plate;
import orbispace.app.view.frame.Screen;

/** What the work changed, whether one hears it, what each return costs, and findings. */
public final class ProveView extends Screen<ProveModel> {
    private static final double HEAD = 46;
    private static final double BAR = 34;
    private static final double BEAM = 84;
    private static final double TRIAL = 200;
    private static final double LEAST_TRIAL = 150;
    private static final double LEFT_SHARE = 0.44;
    private static final double TABS = 26;
    private static final double EARS = 42;
    private static final double GAP = 20;
    private static final double LOWER = 240;

    private final Proving proving;
    private final PairBeam beam;
    private final TrialPanel trial;
    private final LessonPanel lesson;
    private final BeliefPanel belief;
    private final EarsPanel own;
    private final PageTabs proofs;
    private final CostTable costs;
    private final FindingsPanel findings;
    private final MonoPanel mono;
    private final WidthPanel width;
    private final PageTabs sides;
    private final PageTabs costPages;
    private final TrackPanel track;
    private final EarsLine ears;
    private final PairBar bar;

    public ProveView(ProveModel model) {
        super(model, "Prove");
        proving = model.proving();
        beam = new PairBeam(model);
        trial = new TrialPanel(model);
        lesson = new LessonPanel(model);
        belief = new BeliefPanel(model);
        own = new EarsPanel(model, this::toLesson);
        List<Region> pages = List.of(trial, lesson, belief, own);
        proofs =
                new PageTabs(
                        List.of("Trial", "Lesson", "Belief", "My ears"), page -> turn(pages, page));
        costs = new CostTable(model);
        findings = new FindingsPanel(model);
        mono = new MonoPanel(model);
        width = new WidthPanel(model);
        width.setVisible(false);
        sides =
                new PageTabs(
                        List.of("Mono fold", "Width"),
                        page -> {
                            mono.setVisible(page == 0);
                            width.setVisible(page == 1);
                        });
        costPages =
                new PageTabs(
                        List.of("What each return costs", "Where it is heard"),
                        page -> {
                            costs.showElsewhere(page == 1);
                            model.elsewhere().wanted().set(page == 1);
                        });
        turn(pages, 0);
        track = new TrackPanel(model);
        ears = new EarsLine(model);
        bar = new PairBar(model);
        fill(beam, bar, proofs, costs, costPages, mono, width, sides, track, ears);
        // Keys reach a page after its tab; it lies behind it all the same.
        pages.forEach(p -> p.setViewOrder(1));
        getChildren().addAll(1 + getChildren().indexOf(proofs), pages);
        model.design().addListener((o, was, is) -> refreshWhenSeen());
        model.pair().before().addListener((o, was, is) -> refreshWhenSeen());
        model.pair().other().addListener((o, was, is) -> refreshWhenSeen());
        model.measured().mix().addListener((o, was, is) -> refreshWhenSeen());
        model.matching().gains().addListener((o, was, is) -> refreshWhenSeen());
        model.measured()
                .clearance()
                .addListener((o, was, is) -> {
                    if (was == null) {
                        whenSeen(proving::measure);
                    }
                });
        model.measured().survey().found().addListener((o, was, is) -> refreshWhenSeen());
        model.widths().known().addListener((o, was, is) -> refreshWhenSeen());
        model.elsewhere().known().addListener((o, was, is) -> refreshWhenSeen());
        sceneProperty().addListener((o, was, is) -> lookedAt(is != null));
        proving.proven().addListener((o, was, is) -> refreshWhenSeen());
        model.log().book().addListener((o, was, is) -> refreshWhenSeen());
        proving.trial().addListener((o, was, is) -> refreshWhenSeen());
        model.ownEars().lessons().state().addListener((o, was, is) -> refreshWhenSeen());
        model.ownEars().beliefs().state().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().returnId().addListener((o, was, is) -> refreshWhenSeen());
        model.references().held().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().section().addListener((o, was, is) -> refreshWhenSeen());
        refreshWhenSeen();
    }

    private void toLesson() {
        proofs.turn(1);
        lesson.requestFocus();
    }

    private void turn(List<Region> pages, int shown) {
        for (int i = 0; i < pages.size(); i++) {
            pages.get(i).setVisible(i == shown);
        }
        // What is found over the days takes the whole width.
        boolean beside = shown != pages.size() - 1;
        costs.setVisible(beside);
        costPages.setVisible(beside);
    }

    /** What takes long is measured only while one looks. */
    private void lookedAt(boolean is) {
        if (is) {
            model.ownEars().keeping().read();
        }
        model.widths().wanted().set(is);
        model.elsewhere().wanted().set(is && costs.isElsewhere());
    }

    @Override
    public void refresh() {
        caption("what the work changed, and whether one hears it");
        bar.refresh();
        beam.repaint();
        trial.refresh();
        lesson.refresh();
        belief.refresh();
        own.refresh();
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
        double spare = below - y - TRIAL - LOWER;
        double upper = Math.max(LEAST_TRIAL, TRIAL + (spare > 0 ? spare / 2 : spare));
        Plate.place(trial, 16, y, left, upper);
        Plate.place(lesson, 16, y, left, upper);
        Plate.place(belief, 16, y, left, upper);
        Plate.place(own, 16, y, w, upper);
        Plate.place(proofs, 24, y + 6, left - 16, TABS);
        Plate.place(costs, 16 + left + GAP, y, right, upper);
        Plate.place(costPages, 16 + left + GAP, y - 4, right * 0.6, TABS);
        double lower = y + upper + 14;
        Plate.place(sides, 16, lower, left, TABS);
        Plate.place(mono, 16, lower + TABS, left, below - lower - TABS);
        Plate.place(width, 16, lower + TABS, left, below - lower - TABS);
        Plate.place(track, 16 + left + GAP, lower, right, below - lower);
        Plate.place(ears, 16, getHeight() - EARS - 8, w, EARS);
        super.layoutChildren();
    }

    @Override
    public Region inspector() {
        return findings;
    }

    @Override
    public void setPalette(Palette palette) {
        beam.setPalette(palette);
        trial.setPalette(palette);
        own.setPalette(palette);
        costs.setPalette(palette);
        mono.setPalette(palette);
        width.setPalette(palette);
        track.setPalette(palette);
    }

    @Override
    public String keys() {
        return "Blind trial: begin it, then 1 and 2 answer, left and right let A and B be heard, up"
                + " or X lets X be heard, Escape ends it without a result. R: the reference or"
                + " the mix. Tab to the findings: Enter presses what is in focus.";
    }
}
