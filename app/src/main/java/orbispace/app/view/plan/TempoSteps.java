package orbispace.app.view.plan;

import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.PlanModel;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
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

    /** The time of an echo in each section, in ms: as it is set there, and as its note is. */
    @SuppressWarnings("ArrayRecordComponent") // Never compared.
    private record Steps(double[] set, double[] note) {
        static Steps of(Song song, Return r, Space.Echo echo) {
            List<Section> sections = song.sections();
            double[] set = new double[sections.size()];
            double[] note = new double[sections.size()];
            for (int i = 0; i < set.length; i++) {
                Section s = sections.get(i);
                int bar = CellPainter.bar(r, s, s.plan().cell(r.id()));
                set[i] = 1000 * echo.time().seconds(song.clock(), bar);
                note[i] = 1000 * echo.time().seconds(song.clock(), s.firstBar());
            }
            return new Steps(set, note);
        }

        double least() {
            return DoubleStream.concat(DoubleStream.of(set), DoubleStream.of(note)).min().orElse(0);
        }

        double most() {
            return DoubleStream.concat(DoubleStream.of(set), DoubleStream.of(note)).max().orElse(0);
        }

        /** The largest error of all sections, without sign. */
        double worst() {
            return IntStream.range(0, set.length)
                    .mapToDouble(i -> Math.abs(set[i] - note[i]))
                    .max()
                    .orElse(0);
        }
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        Optional<Return> r = echo();
        if (r.isEmpty() || !(r.get().space() instanceof Space.Echo echo)) {
            return;
        }
        Steps steps = Steps.of(model.design().get().song(), r.get(), echo);
        words(pen, w, h, echo, steps.worst());
        steps(pen, w, h, steps, r.get().id());
    }

    private static void words(Pen pen, double w, double h, Space.Echo echo, double worst) {
        pen.text("DELAY BY SECTION", 0, 12, Type.strong(10.5), pen.palette.ink2);
        pen.text(
                echo.time().label(),
                w - 2,
                12,
                Type.strong(11.5),
                pen.palette.time,
                TextAlignment.RIGHT);
        boolean off = worst > OFF_MILLIS && echo.time() instanceof MusicalTime.Note;
        pen.text(
                off
                        ? "Stays: up to " + Wording.number(worst, 0) + " ms off the note (dashed)."
                        : "On its note value in every section.",
                0,
                h - 6,
                Type.regular(11.5),
                off ? pen.palette.warn : pen.palette.ink2);
    }

    private static void steps(Pen pen, double w, double h, Steps steps, String id) {
        double least = steps.least();
        double span = Math.max(1, steps.most() - least);
        double room = h - BELOW - TOP;
        double wide = w / Math.max(1, steps.set.length);
        for (int i = 0; i < steps.set.length; i++) {
            double x = i * wide;
            double y = h - BELOW - (steps.set[i] - least) / span * room;
            double ideal = h - BELOW - (steps.note[i] - least) / span * room;
            pen.g.setLineDashes(2, 3);
            pen.line(x, ideal, x + wide, ideal, pen.palette.time, 1);
            pen.g.setLineDashes();
            pen.line(x, y, x + wide, y, pen.palette.ofReturn(id), 2);
            String millis = Wording.number(steps.set[i], 0);
            boolean changed = i == 0 || Math.abs(steps.set[i] - steps.set[i - 1]) > OFF_MILLIS;
            if (changed && wide > Pen.width(millis, Type.regular(11)) - 8) {
                pen.text(millis, x + 1, y - 4, Type.regular(11), pen.palette.ink);
            }
        }
    }
}
