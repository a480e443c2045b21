package orbispace.app.view;

import java.util.List;
import java.util.Optional;
import javafx.collections.MapChangeListener;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.BarRuler;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.draw.SilhouettePainter;
import orbispace.app.draw.TempoPainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.session.Material;
import orbispace.app.session.Session;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.time.Span;
import orbispace.files.Wording;

/** The materials: what is in the song, and what was found in it. */
final class SongView extends Screen {
    private static final double TEMPO_TOP = 52;
    private static final double TEMPO_HEIGHT = 76;
    private static final double RULER_TOP = 152;
    private static final double LANES_TOP = 172;
    private static final double STRIP_HEIGHT = 186;

    private final Playhead playhead;
    private final Chart chart = new Chart();
    private final SongInspector inspector;

    SongView(Session session) {
        super(session, "Song");
        playhead = new Playhead(session.transport().position());
        inspector = new SongInspector(session);
        fill(chart, playhead);
        session.design().addListener((o, was, is) -> refresh());
        session.selection().sourceId().addListener((o, was, is) -> chart.repaint());
        session.selection().section().addListener((o, was, is) -> chart.repaint());
        session.measured()
                .materials()
                .addListener((MapChangeListener<Object, Object>) c -> refresh());
        refresh();
    }

    private void refresh() {
        Design design = session.design().get();
        int stems = design.sources().size();
        long seconds = Math.round(session.songSeconds());
        caption(
                stems == 0
                        ? "nothing brought yet"
                        : stems + " stems, " + seconds / 60 + " min " + seconds % 60 + " s");
        chart.repaint();
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
    }

    @Override
    String keys() {
        return "Up and Down: choose a stem. Click on a phrase: repeat it. Click elsewhere: go"
                + " there.";
    }

    private final class Chart extends ScalingCanvas {
        Chart() {
            setMouseTransparent(false);
            setFocusTraversable(true);
            setAccessibleText("stems over time; up and down choose a stem");
            addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
            addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        }

        private List<Source> sources() {
            return session.design().get().sources();
        }

        private TimeAxis axis(double w) {
            return new TimeAxis(0, session.songSeconds(), 16 + LABELS, w - 32 - LABELS);
        }

        private double laneHeight(double h) {
            double room = h - LANES_TOP - STRIP_HEIGHT - 14;
            return Math.clamp(room / Math.max(1, sources().size() + 0.6), 16, 66);
        }

        private double laneTop(int index, double lane) {
            return LANES_TOP + (index == 0 ? 0 : lane * 1.6 + (index - 1) * lane);
        }

        private void pressed(MouseEvent e) {
            requestFocus();
            double lane = laneHeight(getHeight());
            TimeAxis axis = axis(getWidth());
            for (int i = 0; i < sources().size(); i++) {
                if (e.getY() >= laneTop(i, lane) && e.getY() < laneTop(i + 1, lane)) {
                    session.selection().sourceId().set(sources().get(i).id());
                    loopPhrase(sources().get(i), axis.seconds(e.getX()));
                }
            }
            if (e.getX() > axis.left()) {
                session.transport().seek(axis.seconds(e.getX()));
            }
        }

        private void loopPhrase(Source source, double seconds) {
            Optional.ofNullable(session.measured().materials().get(source.id()))
                    .flatMap(Material::phrases)
                    .flatMap(p -> p.spans().stream().filter(s -> s.contains(seconds)).findFirst())
                    .ifPresent(session::loopOver);
        }

        private void key(KeyEvent e) {
            int step = e.getCode() == KeyCode.DOWN ? 1 : e.getCode() == KeyCode.UP ? -1 : 0;
            List<String> ids = sources().stream().map(Source::id).toList();
            int at = ids.indexOf(session.selection().sourceId().get());
            if (step != 0 && at + step >= 0 && at + step < ids.size()) {
                session.selection().sourceId().set(ids.get(at + step));
                e.consume();
            }
        }

        @Override
        void paint(Pen pen, double w, double h) {
            if (sources().isEmpty()) {
                return;
            }
            TimeAxis axis = axis(w);
            double lane = laneHeight(h);
            double bottom = laneTop(sources().size(), lane);
            legend(pen, w);
            new TempoPainter(pen, session.design().get().song(), axis, TEMPO_TOP, TEMPO_HEIGHT)
                    .paint(session.selection().section().get());
            BarRuler.paint(pen, session.design().get().song().clock(), axis, RULER_TOP, 20, bottom);
            for (int i = 0; i < sources().size(); i++) {
                lane(
                        pen,
                        axis,
                        sources().get(i),
                        laneTop(i, lane),
                        i == 0 ? lane * 1.6 : lane,
                        i == 0);
            }
            pen.across(16, axis.right(), bottom, pen.palette.rule);
            playhead.follow(axis, TEMPO_TOP, bottom);
            new SongStrip(pen, session).paint(16, bottom + 14, w - 32, STRIP_HEIGHT);
        }

        private void legend(Pen pen, double w) {
            double y = 30;
            double x = w - 16;
            for (String name : new String[] {"bleed", "hit", "phrase", "mean, peak"}) {
                double width = Pen.width(name, Type.regular(11.5));
                pen.text(name, x - width, y, Type.regular(11.5), pen.palette.ink2);
                x -= width + 10;
                switch (name) {
                    case "bleed" -> pen.line(x, y - 5, x, y, pen.palette.ink2, 1);
                    case "hit" -> pen.line(x, y - 10, x, y, pen.palette.ink, 2.2);
                    case "phrase" -> {
                        pen.g.setGlobalAlpha(0.12);
                        pen.g.setFill(pen.palette.ink);
                        pen.g.fillRect(x - 18, y - 10, 20, 11);
                        pen.g.setGlobalAlpha(1);
                        x -= 18;
                    }
                    default -> {
                        for (int i = 0; i < 10; i++) {
                            double top = 3 + 7 * Math.abs(Math.sin(i * 0.9));
                            pen.line(x - 2 * i, y, x - 2 * i, y - top, pen.palette.ink, 1);
                        }
                        x -= 20;
                    }
                }
                x -= 16;
            }
        }

        private void lane(
                Pen pen, TimeAxis axis, Source source, double top, double height, boolean first) {
            boolean chosen = source.id().equals(session.selection().sourceId().get());
            if (chosen) {
                pen.clipped(
                        8.5,
                        Math.floor(top) + 2.5,
                        LABELS + 2,
                        height - 5,
                        5,
                        pen.palette.card,
                        pen.palette.ink);
            }
            pen.across(16, axis.right(), top, pen.palette.rule);
            Material m = session.measured().materials().get(source.id());
            double base = top + height - 4;
            double textY = height > 46 ? top + height / 2 - 10 : top + Math.min(height - 4, 14);
            pen.text(source.name(), 18, textY, Type.strong(13), pen.palette.ink);
            if (height > 34) {
                pen.text(
                        source.role().label(),
                        18,
                        textY + 15,
                        Type.regular(11.5),
                        pen.palette.ink3);
            }
            if (m != null && height > 46) {
                String lufs =
                        m.integratedLufs().isPresent()
                                ? Wording.number(m.integratedLufs().getAsDouble(), 1) + " LUFS"
                                : "silent";
                pen.text(lufs, 18, textY + 30, Type.regular(11.5), pen.palette.ink2);
            }
            if (m == null) {
                pen.text(
                        "listening",
                        axis.left() + 8,
                        base - 6,
                        Type.italic(11.5),
                        pen.palette.ink3);
                return;
            }
            m.phrases().ifPresent(p -> phrases(pen, axis, p, top, height, first));
            double full = m.silhouette().peak(0, m.silhouette().seconds());
            Optional<Hits> hits =
                    m.hits().filter(x -> source.role() == orbispace.core.design.Role.HITS);
            double reach = height - (first && m.phrases().isPresent() ? 26 : 10);
            if (hits.isPresent()) {
                ticks(pen, axis, hits.get(), base, reach);
            } else {
                SilhouettePainter.paint(pen, m.silhouette(), axis, base, reach, full);
            }
        }

        private void phrases(
                Pen pen,
                TimeAxis axis,
                Phrases found,
                double top,
                double height,
                boolean numbered) {
            for (Span span : found.spans()) {
                double x = axis.x(span.startSeconds());
                double width = Math.max(1, axis.x(span.endSeconds()) - x);
                pen.g.setGlobalAlpha(0.09);
                pen.g.setFill(pen.palette.ink);
                pen.g.fillRect(x, top + 1, width, height - 5);
                pen.g.setGlobalAlpha(1);
            }
            for (Span gap : numbered ? found.gaps() : List.<Span>of()) {
                double x = axis.x((gap.startSeconds() + gap.endSeconds()) / 2);
                String label = Wording.number(gap.seconds(), 1);
                if (axis.x(gap.endSeconds()) - axis.x(gap.startSeconds()) + 14
                        > Pen.width(label, Type.regular(11))) {
                    pen.text(
                            label,
                            x,
                            top + 12,
                            Type.regular(11),
                            pen.palette.ink2,
                            TextAlignment.CENTER);
                }
            }
        }

        private void ticks(Pen pen, TimeAxis axis, Hits hits, double base, double height) {
            double loudest = hits.hits().stream().mapToDouble(Hits.Hit::peakDb).max().orElse(0);
            for (Hits.Hit hit : hits.bleed()) {
                double tall = Math.max(2, height * (1 + (hit.peakDb() - loudest) / 36));
                pen.line(
                        axis.x(hit.seconds()),
                        base,
                        axis.x(hit.seconds()),
                        base - tall,
                        pen.palette.ink3,
                        1);
            }
            for (Hits.Hit hit : hits.hits()) {
                double tall = Math.max(2, height * (1 + (hit.peakDb() - loudest) / 36));
                pen.line(
                        axis.x(hit.seconds()),
                        base,
                        axis.x(hit.seconds()),
                        base - tall,
                        pen.palette.ink,
                        1.8);
            }
            pen.across(axis.left(), axis.right(), base, pen.palette.ink);
        }
    }
}
