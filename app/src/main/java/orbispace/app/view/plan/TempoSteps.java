package orbispace.app.view.plan;

import java.util.List;
import java.util.Optional;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.PlanModel;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Space;
import orbispace.core.time.SongClock;
import orbispace.core.words.Wording;

/** The time of an echo section by section, as steps beside what its note value would be there. */
final class TempoSteps extends ScalingCanvas {
    private static final double TOP = 34;
    private static final double BELOW = 30;
    private static final double OFF_MILLIS = 0.5;

    private final PlanModel model;

    TempoSteps(PlanModel model) {
        this.model = model;
        setMinHeight(0);
        setPrefHeight(120);
        setAccessibleText("delay by tempo");
    }

    private Optional<Return> echo() {
        return model.design()
                .get()
                .findReturn(model.selection().returnId().get())
                .filter(r -> r.space() instanceof Space.Echo);
    }

    void refresh() {
        boolean seen = echo().isPresent() && !model.design().get().song().sections().isEmpty();
        setVisible(seen);
        setManaged(seen);
        repaint();
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        Optional<Return> r = echo();
        if (r.isEmpty() || !(r.get().space() instanceof Space.Echo echo)) {
            return;
        }
        SongClock clock = model.design().get().song().clock();
        List<Section> sections = model.design().get().song().sections();
        double[] set = new double[sections.size()];
        double[] note = new double[sections.size()];
        double least = Double.MAX_VALUE;
        double most = 0;
        double worst = 0;
        for (int i = 0; i < set.length; i++) {
            Section s = sections.get(i);
            int bar = PlanLanes.bar(r.get(), s, s.plan().cell(r.get().id()));
            set[i] = 1000 * echo.time().seconds(clock, bar);
            note[i] = 1000 * echo.time().seconds(clock, s.firstBar());
            least = Math.min(least, Math.min(set[i], note[i]));
            most = Math.max(most, Math.max(set[i], note[i]));
            worst = Math.abs(set[i] - note[i]) > Math.abs(worst) ? set[i] - note[i] : worst;
        }
        pen.text("DELAY BY SECTION", 0, 12, Type.strong(10.5), pen.palette.ink2);
        pen.text(
                echo.time().label(),
                w - 2,
                12,
                Type.strong(11.5),
                pen.palette.time,
                TextAlignment.RIGHT);
        boolean off = Math.abs(worst) > OFF_MILLIS && echo.time() instanceof MusicalTime.Note;
        pen.text(
                off
                        ? "Stays: up to "
                                + Wording.number(Math.abs(worst), 0)
                                + " ms off the note (dashed)."
                        : "On its note value in every section.",
                0,
                h - 6,
                Type.regular(11.5),
                off ? pen.palette.warn : pen.palette.ink2);
        double span = Math.max(1, most - least);
        double wide = w / Math.max(1, set.length);
        for (int i = 0; i < set.length; i++) {
            double x = i * wide;
            double y = h - BELOW - (set[i] - least) / span * (h - BELOW - TOP);
            double ideal = h - BELOW - (note[i] - least) / span * (h - BELOW - TOP);
            pen.g.setLineDashes(2, 3);
            pen.line(x, ideal, x + wide, ideal, pen.palette.time, 1);
            pen.g.setLineDashes();
            pen.line(x, y, x + wide, y, pen.palette.ofReturn(r.get().id()), 2);
            String millis = Wording.number(set[i], 0);
            boolean changed = i == 0 || Math.abs(set[i] - set[i - 1]) > OFF_MILLIS;
            if (changed && wide > Pen.width(millis, Type.regular(11)) - 8) {
                pen.text(millis, x + 1, y - 4, Type.regular(11), pen.palette.ink);
            }
        }
    }
}
