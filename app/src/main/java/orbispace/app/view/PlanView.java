package orbispace.app.view;

import javafx.scene.layout.Region;
import orbispace.app.draw.Palette;
import orbispace.app.session.Session;

/** The field over the whole song, and the words that are thrown. */
final class PlanView extends Screen {
    private final Playhead playhead;
    private final PlanChart chart;
    private final PlanInspector inspector;

    PlanView(Session session) {
        super(session, "Plan");
        playhead = new Playhead(session.transport().position());
        chart = new PlanChart(session, playhead);
        inspector = new PlanInspector(session);
        fill(chart, playhead);
        session.design().addListener((o, was, is) -> refreshWhenSeen());
        session.selection().section().addListener((o, was, is) -> refreshWhenSeen());
        session.selection().returnId().addListener((o, was, is) -> refreshWhenSeen());
        session.measured()
                .materials()
                .addListener(
                        (javafx.collections.MapChangeListener<Object, Object>)
                                c -> refreshWhenSeen());
        chart.focusedProperty().addListener((o, was, is) -> chart.repaint());
        refreshWhenSeen();
    }

    @Override
    void refresh() {
        long differing =
                session.design().get().song().sections().stream()
                        .filter(s -> !s.plan().isPlain())
                        .count();
        caption(
                differing == 0
                        ? "one field throughout"
                        : "the field differs in "
                                + (differing == 1 ? "one section" : differing + " sections"));
        chart.repaint();
        inspector.refresh();
    }

    @Override
    protected void layoutChildren() {
        Plate.place(chart, 0, 0, getWidth(), getHeight());
        super.layoutChildren();
    }

    @Override
    Region inspector() {
        return inspector;
    }

    @Override
    void setPalette(Palette palette) {
        chart.setPalette(palette);
        playhead.setColor(palette.time);
        inspector.setPalette(palette);
    }

    @Override
    String keys() {
        return "Click a cell, or arrow keys with the picture in focus: choose return and section."
                + " Tab to the numbers: arrow keys step them, a digit types. Ctrl+Z: undo"
                + " anything.";
    }
}
