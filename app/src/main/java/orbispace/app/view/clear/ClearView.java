package orbispace.app.view.clear;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import orbispace.app.desk.ClearModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.PresenceStrip;
import orbispace.app.song.Clearance;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.Playhead;
import orbispace.app.view.frame.Screen;

/** Room for the dry: what each return does to the lead, over a section. */
public final class ClearView extends Screen<ClearModel> {

    private final Playhead playhead;
    private final ClearChart chart;
    private final ClearInspector inspector;
    private final EarBar ears;
    private final HearingMenu hearing;
    private final Label reading = new Label();
    private OptionalDouble worstSoFar = OptionalDouble.empty();

    public ClearView(ClearModel model) {
        super(model, "Clear");
        playhead = new Playhead(model.transport().position());
        inspector = new ClearInspector(model);
        ears = new EarBar(model);
        hearing = new HearingMenu(model);
        chart = new ClearChart(model, playhead, reading);
        reading.getStyleClass().add("why");
        reading.setMouseTransparent(true);
        fill(chart, playhead, reading, ears, hearing);
        model.clearing().diagnosis().addListener((o, was, is) -> chart.repaint());
        model.selection().section().addListener((o, was, is) -> refreshWhenSeen());
        model.design().addListener((o, was, is) -> refreshWhenSeen());
        model.selection()
                .returnId()
                .addListener((o, was, is) -> {
                    chart.showChosen();
                    refreshWhenSeen();
                });
        model.measured().clearance().addListener((o, was, is) -> refreshWhenSeen());
        refreshWhenSeen();
    }

    @Override
    public void refresh() {
        caption(section());
        chart.repaint();
    }

    @Override
    protected void layoutChildren() {
        Plate.place(chart, 0, 0, getWidth(), getHeight());
        Plate.place(
                reading,
                16 + names(getWidth()) + 6,
                chart.chartTop(getHeight()) - 19,
                getWidth() - 44 - names(getWidth()),
                18);
        double wide = hearing.prefWidth(-1);
        Plate.place(hearing, getWidth() - 16 - wide, getHeight() - chart.ears() - 6, wide, 24);
        ears.leave(wide + 16);
        Plate.place(ears, 16, getHeight() - chart.ears(), getWidth() - 32, chart.ears() - 4);
        super.layoutChildren();
    }

    @Override
    public Region inspector() {
        return inspector;
    }

    @Override
    public void setPalette(Palette palette) {
        chart.setPalette(palette);
        playhead.setColor(palette.time);
        inspector.setPalette(palette);
    }

    @Override
    public void shown(boolean front) {
        super.shown(front);
        if (front) {
            model.wantsRemedies().set(true);
        }
    }

    @Override
    public String keys() {
        return "N: the bar that keeps least, then the next worst. Click on a river: choose the"
                + " return. Click in the chart: hear that moment. Wheel, or + and \u2212 on the"
                + " chart: nearer and farther; Left and Right move on, Home shows all, Up and"
                + " Down choose. Tab and Enter: apply or undo a remedy, ask an ear word. Ctrl+Z:"
                + " undo anything.";
    }

    @Override
    public void nextWorst() {
        Clearance c = model.measured().clearance().get();
        if (c == null || c.presencePerBar().isEmpty()) {
            return;
        }
        OptionalInt bar = PresenceStrip.worst(c.presencePerBar(), worstSoFar);
        worstSoFar =
                bar.isPresent()
                        ? c.presencePerBar().get(bar.getAsInt() - 1)
                        : OptionalDouble.empty();
        bar.ifPresent(chart::go);
    }
}
