package orbispace.app.view;

import javafx.css.PseudoClass;
import javafx.scene.Cursor;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.session.MixMeasure;
import orbispace.app.session.Session;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.core.measure.Loudness;
import orbispace.files.Wording;

/** The song along the top: title, play and loop, sections, before and after, mono, loudness. */
final class Ribbon extends Pane {
    static final double HEIGHT = 64;

    private static final PseudoClass ON = PseudoClass.getPseudoClass("on");

    private final Session session;
    private final Button title = new Button();
    private final Label form = new Label();
    private final Button play;
    private final Button loop;
    private final Label output = new Label();
    private final SectionStrip strip;
    private final ToggleButton before = Plate.toggle("before", "hear the field before, key B");
    private final ToggleButton after = Plate.toggle("after", "hear the field as it is, key B");
    private final Label match = new Label();
    private final ToggleButton mono = Plate.toggle("mono", "fold both sides to one, key M");
    private final Label monoState = new Label("check is off");
    private final Label lufs = new Label();
    private final Label peak = new Label();
    private final LevelBar level;
    private final Logo logo = new Logo();
    private final PlayIcon playIcon = new PlayIcon();
    private final LoopIcon loopIcon = new LoopIcon();

    Ribbon(Session session, ContextMenu menu) {
        this.session = session;
        strip = new SectionStrip(session);
        level = new LevelBar(session);
        play = new Button("", playIcon);
        loop = new Button("", loopIcon);
        getStyleClass().add("ribbon");
        setPrefHeight(HEIGHT);
        setMinHeight(HEIGHT);
        setMaxHeight(HEIGHT);
        dress(menu);
        getChildren()
                .addAll(
                        logo, title, form, play, loop, output, strip, before, after, match, mono,
                        monoState, lufs, peak, level);
        listen();
    }

    private void dress(ContextMenu menu) {
        title.getStyleClass().add("song-title");
        title.setAccessibleText("song menu: new, open, save");
        title.setOnAction(e -> menu.show(title, javafx.geometry.Side.BOTTOM, 0, 4));
        form.getStyleClass().add("caption");
        output.getStyleClass().add("caption");
        play.getStyleClass().add("bare");
        play.setAccessibleText("play or stop, key Space");
        play.setTooltip(new Tooltip("Play or stop (Space)"));
        play.setOnAction(e -> session.transport().togglePlaying());
        loop.getStyleClass().add("bare");
        loop.setAccessibleText("repeat the chosen section, key L");
        loop.setTooltip(new Tooltip("Repeat the chosen section (L)"));
        loop.setOnAction(
                e -> session.transport().looping().set(!session.transport().looping().get()));
        before.setOnAction(e -> session.transport().hearingBefore().set(true));
        after.setOnAction(e -> session.transport().hearingBefore().set(false));
        before.setTooltip(
                new Tooltip(
                        "Hear the field before, at matched loudness (B). Shift+B: compare with"
                                + " now"));
        match.getStyleClass().add("caption");
        mono.setOnAction(e -> session.transport().mono().set(mono.isSelected()));
        monoState.getStyleClass().add("caption");
        lufs.getStyleClass().add("reading");
        peak.getStyleClass().add("caption");
    }

    private void listen() {
        session.design().addListener((o, was, is) -> showSong());
        session.dirty().addListener((o, was, is) -> showSong());
        session.section().addListener((o, was, is) -> strip.repaint());
        session.transport().outputName().addListener((o, was, is) -> output.setText(is));
        session.transport().playing().addListener((o, was, is) -> playIcon.repaint());
        session.transport().looping().addListener((o, was, is) -> loopIcon.repaint());
        session.transport().hearingBefore().addListener((o, was, is) -> showPair());
        session.transport().mono().addListener((o, was, is) -> showMono());
        session.transport().position().addListener((o, was, is) -> strip.repaint());
        session.measured().mix().addListener((o, was, is) -> showMix());
        showSong();
        showPair();
        showMix();
        showMono();
    }

    private void showSong() {
        Design design = session.design().get();
        title.setText((session.dirty().get() ? "\u2022 " : "") + design.song().title());
        form.setText(formOf(design));
        strip.repaint();
    }

    static String formOf(Design design) {
        var changes = design.song().clock().tempo().changes();
        double low =
                changes.stream().mapToDouble(c -> Math.min(c.bpm(), c.endBpm())).min().orElse(0);
        double high =
                changes.stream().mapToDouble(c -> Math.max(c.bpm(), c.endBpm())).max().orElse(0);
        var metre = design.song().clock().metre().at(1);
        String tempo =
                low == high
                        ? Wording.number(low, 0)
                        : Wording.number(low, 0) + "\u2013" + Wording.number(high, 0);
        return tempo + " bpm   " + metre.beatsPerBar() + "/" + metre.beatUnit();
    }

    private void showPair() {
        boolean hearing = session.transport().hearingBefore().get();
        before.setSelected(hearing);
        after.setSelected(!hearing);
        showMix();
    }

    private void showMono() {
        boolean on = session.transport().mono().get();
        mono.setSelected(on);
        monoState.setText(on ? "check is on" : "check is off");
        monoState.pseudoClassStateChanged(ON, on);
    }

    private void showMix() {
        MixMeasure mix = session.measured().mix().get();
        if (mix == null) {
            lufs.setText("");
            peak.setText("");
            match.setText("");
            return;
        }
        boolean hearing = session.transport().hearingBefore().get();
        Loudness heard = hearing ? mix.before() : mix.after();
        lufs.setText(
                Wording.number(heard.integratedLufs().orElse(Double.NEGATIVE_INFINITY), 1)
                        + " LUFS");
        peak.setText(
                "peak "
                        + Wording.number(heard.truePeakDbtp().orElse(Double.NEGATIVE_INFINITY), 1)
                        + " dBTP");
        double gain = mix.matchDb(hearing);
        match.setText(
                session.before().get().equals(session.design().get())
                        ? "nothing changed yet"
                        : "matched, " + Wording.number(gain, 1) + " LU");
        level.repaint();
    }

    void setPalette(Palette palette) {
        for (ScalingCanvas c : new ScalingCanvas[] {strip, level, logo, playIcon, loopIcon}) {
            c.setPalette(palette);
        }
    }

    /** Moves the playhead and the level; once per picture. */
    void tick() {
        session.transport().refresh();
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        Plate.place(logo, 8, 6, 72, 52);
        Plate.place(title, 98, 8, 162, 26);
        title.setMaxWidth(162);
        Plate.place(form, 104, 35, 150, 18);
        Plate.place(play, 262, 8, 30, 30);
        Plate.place(loop, 298, 8, 30, 30);
        Plate.place(output, 258, 41, 84, 16);
        double right = w - 180;
        Plate.place(lufs, right, 8, 92, 24);
        Plate.place(peak, right + 84, 10, 92, 20);
        Plate.place(level, right, 34, 170, 22);
        Plate.place(mono, right - 92, 9, 78, 25);
        Plate.place(monoState, right - 92, 38, 84, 18);
        Plate.place(before, right - 222, 9, 60, 25);
        Plate.place(after, right - 163, 9, 60, 25);
        Plate.place(match, right - 222, 38, 124, 18);
        Plate.place(strip, 344, 6, Math.max(100, right - 222 - 344 - 16), 54);
        super.layoutChildren();
    }

    /** The sections to scale of bars; click goes there and chooses, a drag repeats. */
    private static final class SectionStrip extends ScalingCanvas {
        private final Session session;

        SectionStrip(Session session) {
            this.session = session;
            setMouseTransparent(false);
            setCursor(Cursor.HAND);
            setAccessibleText("sections of the song");
            addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        }

        private int lastBar() {
            var sections = session.design().get().song().sections();
            var clock = session.design().get().song().clock();
            return sections.isEmpty()
                    ? clock.barAtSeconds(session.songSeconds()) + 1
                    : sections.getLast().endBar();
        }

        private double x(double bar, double w) {
            return 1 + (w - 2) * (bar - 1) / Math.max(1, lastBar() - 1);
        }

        private void pressed(MouseEvent e) {
            double bar = 1 + (e.getX() - 1) / (getWidth() - 2) * (lastBar() - 1);
            Design design = session.design().get();
            var clock = design.song().clock();
            Section hit =
                    design.song().sections().stream()
                            .filter(s -> bar >= s.firstBar() && bar < s.endBar())
                            .findFirst()
                            .orElse(null);
            session.section()
                    .set(
                            hit != null
                                            && hit.equals(session.section().get())
                                            && e.getClickCount() == 2
                                    ? null
                                    : hit);
            int whole = (int) Math.floor(bar);
            double beat =
                    clock.metre().beatOfBar(whole)
                            + (bar - whole) * clock.metre().at(whole).quartersPerBar();
            session.transport().seek(clock.tempo().secondsAt(beat));
        }

        @Override
        void paint(Pen pen, double w, double h) {
            Design design = session.design().get();
            var clock = design.song().clock();
            Section chosen = session.section().get();
            for (Section s : design.song().sections()) {
                double left = x(s.firstBar(), w);
                double right = x(s.endBar(), w);
                boolean on = s.equals(chosen);
                if (on) {
                    pen.g.setFill(pen.palette.card);
                    pen.g.fillRect(left, 3, right - left, 36);
                }
                pen.upright(left, 3, 39, on ? pen.palette.ink : pen.palette.rule);
                var font =
                        on
                                ? orbispace.app.draw.Type.strong(11.5)
                                : orbispace.app.draw.Type.regular(11.5);
                pen.text(
                        Pen.shortened(s.name(), right - left - 8, font),
                        left + 5,
                        16,
                        font,
                        on ? pen.palette.ink : pen.palette.ink2);
                pen.text(
                        Wording.number(clock.bpmOfBar(s.firstBar()), 0),
                        left + 5,
                        32,
                        orbispace.app.draw.Type.strong(11.5),
                        on ? pen.palette.time : pen.palette.ink3);
            }
            bars(pen, w);
            caret(pen, w);
        }

        private void bars(Pen pen, double w) {
            int last = lastBar();
            int step = Math.max(1, (last - 1) / 40);
            pen.g.setFill(pen.palette.ink);
            for (int bar = 1; bar < last; bar += step) {
                double left = x(bar, w);
                double width = x(Math.min(last, bar + step), w) - left;
                if ((bar - 1) / step % 2 == 0) {
                    pen.g.fillRect(left, 40, width, 4);
                }
            }
            pen.g.setStroke(pen.palette.ink);
            pen.g.setLineWidth(1);
            pen.g.strokeRect(1.5, 39.5, w - 3, 5);
        }

        private void caret(Pen pen, double w) {
            var clock = session.design().get().song().clock();
            double seconds = session.transport().position().get();
            double beat = clock.tempo().beatAt(seconds);
            int bar = clock.metre().barAt(beat);
            double part =
                    (beat - clock.metre().beatOfBar(bar)) / clock.metre().at(bar).quartersPerBar();
            double x = Math.min(w - 2, x(bar + part, w));
            pen.g.setFill(pen.palette.time);
            pen.g.fillPolygon(new double[] {x - 5, x + 5, x}, new double[] {54, 54, 46}, 3);
            pen.line(x, 36, x, 48, pen.palette.time, 1.6);
        }
    }

    /** Loudness on a scale of -36 to 0, with the true peak as an upright. */
    private static final class LevelBar extends ScalingCanvas {
        private final Session session;

        LevelBar(Session session) {
            this.session = session;
        }

        @Override
        void paint(Pen pen, double w, double h) {
            pen.across(0, w, 6, pen.palette.ink);
            for (int i = 0; i <= 12; i++) {
                double x = (w - 1) * i / 12;
                pen.upright(x, i % 4 == 0 ? 1 : 3, 6, pen.palette.ink);
            }
            MixMeasure mix = session.measured().mix().get();
            if (mix == null) {
                return;
            }
            Loudness heard = session.transport().hearingBefore().get() ? mix.before() : mix.after();
            double l = Math.clamp((heard.integratedLufs().orElse(-36) + 36) / 36, 0, 1);
            double p = Math.clamp((heard.truePeakDbtp().orElse(-36) + 36) / 36, 0, 1);
            pen.g.setFill(pen.palette.ink);
            pen.g.fillRect(0, 10, l * w, 4);
            boolean over = heard.truePeakDbtp().orElse(-36) > -1;
            pen.line(
                    p * (w - 1),
                    2,
                    p * (w - 1),
                    17,
                    over ? pen.palette.warn : pen.palette.ink,
                    1.6);
        }
    }

    private static final class Logo extends ScalingCanvas {
        @Override
        void paint(Pen pen, double w, double h) {
            double cx = w / 2;
            for (double r : new double[] {6, 12, 18}) {
                pen.g.setStroke(pen.palette.ink);
                pen.g.setLineWidth(r == 18 ? 1.6 : 1.1);
                pen.g.strokeArc(
                        cx - r, 28 - r, 2 * r, 2 * r, 0, 180, javafx.scene.shape.ArcType.OPEN);
            }
            pen.line(cx - 21, 28, cx + 21, 28, pen.palette.ink, 1.4);
            pen.line(cx, 28, cx + 9, 12, pen.palette.time, 1.4);
            pen.circle(cx, 28, 2.4, pen.palette.ink, null, 0);
            pen.text(
                    "ORBISPACE",
                    cx,
                    45,
                    orbispace.app.draw.Type.strong(9.5),
                    pen.palette.ink,
                    javafx.scene.text.TextAlignment.CENTER);
        }
    }

    private final class PlayIcon extends ScalingCanvas {
        @Override
        void paint(Pen pen, double w, double h) {
            pen.circle(14, 14, 13, pen.palette.ink, null, 0);
            pen.g.setFill(pen.palette.paper);
            if (session.transport().playing().get()) {
                pen.g.fillRect(9.5, 9, 3, 10);
                pen.g.fillRect(15.5, 9, 3, 10);
            } else {
                pen.g.fillPolygon(new double[] {10.5, 10.5, 20}, new double[] {8.5, 19.5, 14}, 3);
            }
        }

        PlayIcon() {
            setPrefSize(28, 28);
            setMinSize(28, 28);
        }
    }

    private final class LoopIcon extends ScalingCanvas {
        LoopIcon() {
            setPrefSize(28, 28);
            setMinSize(28, 28);
        }

        @Override
        void paint(Pen pen, double w, double h) {
            boolean on = session.transport().looping().get();
            var ink = on ? pen.palette.time : pen.palette.ink2;
            pen.g.setStroke(ink);
            pen.g.setLineWidth(on ? 2 : 1.4);
            pen.g.strokeArc(5, 9, 18, 11, 70, 320, javafx.scene.shape.ArcType.OPEN);
            pen.g.setFill(ink);
            pen.g.fillPolygon(new double[] {14, 14, 20}, new double[] {5, 12, 8.5}, 3);
        }
    }
}
