package orbispace.app.view.plan;

import javafx.scene.layout.Region;
import orbispace.app.desk.PlanModel;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.Playhead;
import orbispace.app.view.frame.Screen;

/** The field over the whole song, and the words that are thrown. */
public final class PlanView extends Screen<PlanModel> {
    private static final double LEAST_THROWS = 236;

    private final Playhead playhead;
    private final PlanChart chart;
    private final ThrowChart words;
    private final PlanInspector inspector;

    public PlanView(PlanModel model) {
        super(model, "Plan");
        playhead = new Playhead(model.transport().position());
        chart = new PlanChart(model);
        words = new ThrowChart(model);
        inspector = new PlanInspector(model);
        fill(chart, words, playhead);
        model.design().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().section().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().returnId().addListener((o, was, is) -> refreshWhenSeen());
        model.planning().along().addListener((o, was, is) -> refreshWhenSeen());
        model.planning().measured().addListener((o, was, is) -> refreshWhenSeen());
        model.clearing().sourceId().addListener((o, was, is) -> refreshWhenSeen());
        model.throwing().picking().picked().addListener((o, was, is) -> refreshWhenSeen());
        model.throwing().throwId().addListener((o, was, is) -> refreshWhenSeen());
        model.throwing().measured().addListener((o, was, is) -> refreshWhenSeen());
        model.measured().mix().addListener((o, was, is) -> refreshWhenSeen());
        model.measured().clearance().addListener((o, was, is) -> refreshWhenSeen());
        model.measured().survey().found().addListener((o, was, is) -> refreshWhenSeen());
        refreshWhenSeen();
    }

    @Override
    public void refresh() {
        long differing =
                model.design().get().song().sections().stream()
                        .filter(s -> !s.plan().isPlain())
                        .count();
        caption(
                differing == 0
                        ? "one field throughout"
                        : "the field differs in "
                                + (differing == 1 ? "one section" : differing + " sections"));
        requestLayout();
        chart.repaint();
        words.repaint();
        inspector.refresh();
        model.planning().measure();
    }

    @Override
    protected void layoutChildren() {
        int returns = model.design().get().returns().size();
        double top = Math.ceil(PlanChart.height(getHeight() - LEAST_THROWS, returns));
        boolean empty = returns == 0 || model.design().get().song().sections().isEmpty();
        double chartHeight = empty ? getHeight() - LEAST_THROWS : top;
        Plate.place(chart, 0, 0, getWidth(), chartHeight);
        Plate.place(words, 0, chartHeight, getWidth(), getHeight() - chartHeight);
        playhead.follow(PlanChart.axis(model, getWidth()), 76, chartHeight + 64);
        super.layoutChildren();
    }

    @Override
    public Region inspector() {
        return inspector;
    }

    @Override
    public void setPalette(Palette palette) {
        chart.setPalette(palette);
        words.setPalette(palette);
        playhead.setColor(palette.time);
        inspector.setPalette(palette);
    }

    @Override
    public void nextWorst() {
        model.throwing().nextConflict();
    }

    @Override
    public String keys() {
        return "In the sections: arrow keys choose, with Shift several, Ctrl+A all; + and \u2212"
                + " turn the level, M mutes, Delete takes the plan of a cell away, Ctrl+C and"
                + " Ctrl+V copy a section. In the words: left and right pick, up and down grow and"
                + " shrink, P the phrase, W its last word, Enter throws, Delete takes a throw away."
                + " N: next throw with something wrong.";
    }
}
