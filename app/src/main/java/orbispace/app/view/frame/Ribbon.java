package orbispace.app.view.frame;

import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.text.Font;
import orbispace.app.desk.FrameModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.song.MixMeasure;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.design.Design;
import orbispace.core.measure.Loudness;
import orbispace.core.words.Wording;

/** The song along the top: title, play and loop, sections, before and after, mono, loudness. */
public final class Ribbon extends Pane {
    static final double HEIGHT = 64;

    private static final double OUTPUT_WIDTH = 84;
    private static final double MATCH_WIDTH = 118;

    private final FrameModel model;
    private final Button title = new Button();
    private final Label form = new Label();
    private final Button play;
    private final Button loop;
    private final Label output = new Label();
    private final BusyMark busy;
    private final SectionStrip strip;
    private final ToggleButton before = Plate.toggle("before", "hear the field before, key B");
    private final ToggleButton after = Plate.toggle("after", "hear the field as it is, key B");
    private final Label match = new Label();
    private final ToggleButton mono = Plate.toggle("mono", "fold both sides to one, key M");
    private final ToggleButton wet = Plate.toggle("wet", "hear only the returns, key W");
    private final ListenMenu listening;
    private final Label lufs = new Label();
    private final Label peak = new Label();
    private final LevelBar level;
    private final ScalingCanvas logo = new RibbonMarks.Logo();
    private final ScalingCanvas playIcon;
    private final ScalingCanvas loopIcon;

    public Ribbon(FrameModel model, ContextMenu menu) {
        this.model = model;
        strip = new SectionStrip(model);
        listening = new ListenMenu(model);
        busy = new BusyMark(model.jobs());
        level = new LevelBar(model);
        playIcon = new RibbonMarks.PlayIcon(model.transport().playing());
        loopIcon = new RibbonMarks.LoopIcon(model.transport().looping());
        play = new Button("", playIcon);
        loop = new Button("", loopIcon);
        getStyleClass().add("ribbon");
        setPrefHeight(HEIGHT);
        setMinHeight(HEIGHT);
        setMaxHeight(HEIGHT);
        dress(menu);
        getChildren()
                .addAll(
                        logo, title, form, busy, play, loop, output, strip, before, after, match,
                        mono, wet, listening, lufs, peak, level);
        listen();
    }

    private void dress(ContextMenu menu) {
        title.getStyleClass().add("song-title");
        title.setAccessibleText("song menu: new, open, save");
        title.setOnAction(e -> menu.show(title, javafx.geometry.Side.BOTTOM, 0, 4));
        form.getStyleClass().add("caption");
        output.getStyleClass().add("caption");
        output.setLineSpacing(-2);
        play.getStyleClass().add("bare");
        play.setAccessibleText("play or stop, key Space");
        play.setTooltip(new Tooltip("Play or stop (Space)"));
        play.setOnAction(e -> model.transport().togglePlaying());
        loop.getStyleClass().add("bare");
        loop.setAccessibleText("repeat the chosen section, key L");
        loop.setTooltip(new Tooltip("Repeat the chosen section (L)"));
        loop.setOnAction(e -> model.transport().looping().set(!model.transport().looping().get()));
        before.setOnAction(e -> model.transport().hearingBefore().set(true));
        after.setOnAction(e -> model.transport().hearingBefore().set(false));
        before.setTooltip(
                new Tooltip(
                        "Hear the field before, at matched loudness (B). Shift+B: compare with"
                                + " now"));
        match.getStyleClass().add("caption");
        mono.setOnAction(e -> model.transport().mono().set(mono.isSelected()));
        wet.setOnAction(e -> model.transport().wetOnly().set(wet.isSelected()));
        lufs.getStyleClass().add("reading");
        peak.getStyleClass().add("caption");
    }

    private void listen() {
        model.design().addListener((o, was, is) -> showSong());
        model.editor().dirty().addListener((o, was, is) -> showSong());
        model.selection().section().addListener((o, was, is) -> strip.repaint());
        model.transport().outputName().addListener((o, was, is) -> showOutput(is));
        model.transport().playing().addListener((o, was, is) -> playIcon.repaint());
        model.transport().looping().addListener((o, was, is) -> loopIcon.repaint());
        model.transport().hearingBefore().addListener((o, was, is) -> showPair());
        model.transport().dryAlone().addListener((o, was, is) -> showMix());
        model.transport().mono().addListener((o, was, is) -> showMono());
        model.transport().wetOnly().addListener((o, was, is) -> showMono());
        model.transport().position().addListener((o, was, is) -> strip.repaint());
        model.matching().gains().addListener((o, was, is) -> showMix());
        model.measured().mix().addListener((o, was, is) -> showMix());
        showSong();
        showPair();
        showMix();
        showMono();
    }

    /** Where the sound goes, as much of it as there is room for, and all of it to rest on. */
    private void showOutput(String name) {
        OutputWords words = OutputWords.of(name);
        String first = Pen.cut(words.device(), OUTPUT_WIDTH - 2, Type.regular(11.5));
        output.setText(words.state().isEmpty() ? first : first + "\n" + words.state());
        output.setTooltip(name.isEmpty() ? null : new Tooltip(name));
        output.setAccessibleText("sound goes to: " + name);
    }

    private void showSong() {
        Design design = model.design().get();
        title.setText((model.editor().dirty().get() ? "\u2022 " : "") + design.song().title());
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
        boolean hearing = model.transport().hearingBefore().get();
        before.setSelected(hearing);
        after.setSelected(!hearing);
        showMix();
    }

    private void showMono() {
        mono.setSelected(model.transport().mono().get());
        wet.setSelected(model.transport().wetOnly().get());
    }

    private void showMix() {
        MixMeasure mix = model.measured().mix().get();
        if (mix == null) {
            lufs.setText("");
            peak.setText("");
            match.setText("");
            return;
        }
        boolean hearing = model.transport().hearingBefore().get();
        Loudness heard = hearing ? mix.before() : mix.other();
        lufs.setText(
                Wording.number(heard.integratedLufs().orElse(Double.NEGATIVE_INFINITY), 1)
                        + " LUFS");
        peak.setText(
                "peak "
                        + Wording.number(heard.truePeakDbtp().orElse(Double.NEGATIVE_INFINITY), 1)
                        + " dBTP");
        boolean dry = model.transport().dryAlone().get();
        double gain = dry ? mix.dryMatchDb() : mix.matchDb(hearing);
        match.setText(
                model.pair().same() && !dry ? "nothing changed yet" : words(dry, hearing, gain));
        match.setTooltip(match.getText().isEmpty() ? null : new Tooltip(matchedBy(dry)));
        level.repaint();
    }

    private String words(boolean dry, boolean hearing, double gain) {
        var name = model.matching().name();
        if (dry || name.isEmpty()) {
            return "matched, " + Wording.signed(gain) + " LU";
        }
        // The name gives way to what is said of it.
        String said = " " + model.matching().words(hearing);
        Font font = Type.regular(11.5);
        return Pen.cut(name.get(), MATCH_WIDTH - Pen.width(said, font), font) + said;
    }

    private String matchedBy(boolean dry) {
        return dry
                ? "The dry sources, as loud as the mix where their peaks leave room"
                : model.matching().sentence();
    }

    public void setPalette(Palette palette) {
        for (ScalingCanvas c : new ScalingCanvas[] {strip, level, logo, playIcon, loopIcon}) {
            c.setPalette(palette);
        }
    }

    /** Moves the playhead and the level; once per picture. */
    public void tick() {
        model.transport().refresh();
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        Plate.place(logo, 8, 6, 72, 52);
        Plate.place(title, 98, 2, 162, 26);
        title.setMaxWidth(162);
        Plate.place(form, 104, 25, 150, 16);
        Plate.place(busy, 104, 40, 150, 22);
        Plate.place(play, 262, 4, 30, 30);
        Plate.place(loop, 298, 4, 30, 30);
        Plate.place(output, 258, 33, OUTPUT_WIDTH, 30);
        double right = w - 180;
        Plate.place(lufs, right, 8, 92, 24);
        Plate.place(peak, right + 84, 10, 92, 20);
        Plate.place(level, right, 34, 170, 22);
        Plate.place(mono, right - 94, 9, 44, 25);
        Plate.place(wet, right - 49, 9, 38, 25);
        Plate.place(listening, right - 94, 37, 90, 20);
        Plate.place(before, right - 222, 9, 60, 25);
        Plate.place(after, right - 163, 9, 60, 25);
        Plate.place(match, right - 222, 38, 124, 18);
        Plate.place(strip, 344, 6, Math.max(100, right - 222 - 344 - 16), 54);
        super.layoutChildren();
    }
}
