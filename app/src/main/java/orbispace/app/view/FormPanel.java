package orbispace.app.view;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.session.FormItem;
import orbispace.app.session.Session;
import orbispace.core.design.Form;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.material.BarOneFinder;
import orbispace.core.time.MetreMap;
import orbispace.core.time.TapTempo;
import orbispace.files.Wording;

/** The chosen section with its name, bars, tempo and metre; bar 1, the click, and tapping. */
final class FormPanel extends VBox {
    private static final int GLIDE_BARS = 2;

    private final Session session;
    private final TapTempo taps = new TapTempo();
    private final NameField name;
    private final Choice<SectionKind> kind;
    private final Label bars = new Label();
    private final NumberField tempo;
    private final NameField metre;
    private final NumberField glide;
    private final NumberField barOne;
    private final Button tap;
    private final Button takeTap;
    private final ToggleButton click;
    private final Label proposal = new Label();
    private final Button takeProposal;
    private final VBox sectionCard;
    private final Label none =
            new Label("No section is chosen. X on the ruler lays one out at the playhead.");
    private double glideTo = 60;
    private boolean front;

    FormPanel(Session session) {
        this.session = session;
        name = new NameField("name of the section", this::named);
        name.getStyleClass().add("title-field");
        kind =
                new Choice<>(
                        "kind of section",
                        List.of(SectionKind.values()),
                        SectionKind::label,
                        k -> onSection("kind of section", (s, i) -> Form.kind(s, i, k)));
        tempo =
                new NumberField(
                        "bpm from its first bar",
                        "quarters per minute from 5 to 1000",
                        text -> number(text, "bpm", this::setTempo),
                        (way, size) -> setTempo(tempoNow() + way * step(size, 0.1, 1, 10)),
                        session.problem()::set);
        metre = new NameField("metre from its first bar", this::setMetre);
        metre.setPrefColumnCount(4);
        glide =
                new NumberField(
                        "bpm at its end",
                        "quarters per minute from 5 to 1000",
                        text ->
                                number(
                                        text,
                                        "bpm",
                                        v -> {
                                            glideTo = v;
                                            refresh();
                                            return v >= 5 && v <= 1000;
                                        }),
                        (way, size) -> {
                            glideTo = Math.clamp(glideTo + way * step(size, 0.1, 1, 10), 5, 1000);
                            refresh();
                        },
                        session.problem()::set);
        barOne =
                new NumberField(
                        "bar 1 after the stems' start",
                        "milliseconds, such as 12.5 or \u2212310",
                        text -> number(text, "ms", v -> setBarOne(v / 1000)),
                        (way, size) -> setBarOne(origin() + way * step(size, 0.1, 1, 10) / 1000),
                        session.problem()::set);
        tap = Plate.button("Tap the beat", this::tap);
        takeTap = Plate.button("", this::takeTap);
        takeProposal = Plate.button("Move bar 1 there", this::takeProposal);
        click = Plate.toggle("Click on the beats", "hear a click on every beat");
        click.selectedProperty().bindBidirectional(session.transport().clicking());
        sectionCard = sectionCard();
        none.setWrapText(true);
        proposal.setWrapText(true);
        proposal.getStyleClass().add("why");
        setSpacing(12);
        getChildren().addAll(none, sectionCard, songCard());
        session.design().addListener((o, was, is) -> refresh());
        session.selection().section().addListener((o, was, is) -> refresh());
        session.form().proposal().addListener((o, was, is) -> refresh());
        refresh();
    }

    private VBox sectionCard() {
        bars.getStyleClass().add("caption");
        HBox kinds = new HBox(10, kind, bars);
        kinds.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        FlowPane form =
                new FlowPane(
                        6,
                        6,
                        Plate.button(
                                "Split at playhead",
                                () -> session.form().splitAt(session.transport().position().get())),
                        Plate.button(
                                "Join with next", () -> onSection("join of sections", Form::join)),
                        Plate.button(
                                "Swap name with next",
                                () -> onSection("names of sections", Form::swapNames)));
        HBox time = new HBox(16, tempo, new VBox(1, metre, caption("metre")));
        HBox end =
                new HBox(
                        10,
                        glide,
                        Plate.button(
                                "Slow or hurry to it over " + GLIDE_BARS + " bars", this::ease));
        end.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        return new VBox(
                10, name, kinds, form, head("TEMPO AND METRE"), time, head("RITARDANDO"), end);
    }

    private VBox songCard() {
        HBox tapping = new HBox(6, tap, takeTap);
        return new VBox(
                10,
                head("TAP"),
                caption("Tap with the song playing, at least four times."),
                tapping,
                head("BAR 1"),
                barOne,
                proposal,
                takeProposal,
                click);
    }

    private static Label head(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("caps");
        return label;
    }

    private static Label caption(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("caption");
        label.setWrapText(true);
        return label;
    }

    private static double step(NumberField.Step size, double fine, double plain, double coarse) {
        return switch (size) {
            case FINE -> fine;
            case PLAIN -> plain;
            case COARSE -> coarse;
        };
    }

    private interface Taken {
        boolean take(double value);
    }

    private static boolean number(String text, String unit, Taken taken) {
        OptionalDouble value = Entries.number(text, unit);
        return value.isPresent() && taken.take(value.getAsDouble());
    }

    private interface SectionChange {
        Song apply(Song song, int index);
    }

    private boolean onSection(String words, SectionChange change) {
        Section chosen = session.selection().section().get();
        int index = session.design().get().song().sections().indexOf(chosen);
        return index >= 0 && session.form().change(words, s -> change.apply(s, index));
    }

    private boolean named(String text) {
        return onSection("name of section", (s, i) -> Form.rename(s, i, text));
    }

    private Song song() {
        return session.design().get().song();
    }

    private double beat() {
        return song().clock().metre().beatOfBar(session.selection().bar());
    }

    private double tempoNow() {
        return song().clock().bpmOfBar(session.selection().bar());
    }

    private boolean setTempo(double bpm) {
        double beat = beat();
        boolean taken = session.form().change("tempo", s -> Form.tempo(s, beat, bpm));
        if (taken) {
            session.selection().form().set(new FormItem.Tempo(beat));
        }
        return taken;
    }

    private boolean setMetre(String text) {
        String[] parts = text.split("/", -1);
        try {
            int beats = Integer.parseInt(parts[0].strip());
            int unit = Integer.parseInt(parts[1].strip());
            int bar = session.selection().bar();
            return session.form().change("metre", s -> Form.metre(s, bar, beats, unit));
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            session.problem().set("\u201c" + text + "\u201d is no metre; write 4/4 or 6/8");
            return false;
        }
    }

    private void ease() {
        Section chosen = session.selection().section().get();
        if (chosen != null) {
            session.form().glide(chosen, GLIDE_BARS, glideTo);
        }
    }

    private double origin() {
        return song().clock().originSeconds();
    }

    private boolean setBarOne(double seconds) {
        boolean taken = session.form().change("bar 1", s -> Form.barOneAt(s, seconds));
        if (taken && front) {
            session.form().proposeBarOne();
        }
        return taken;
    }

    private void tap() {
        taps.tap(System.nanoTime() / 1e9);
        refresh();
    }

    private void takeTap() {
        taps.bpm().ifPresent(this::setTempo);
    }

    private void takeProposal() {
        BarOneFinder.BarOne found = session.form().proposal().get();
        if (found != null) {
            setBarOne(found.originSeconds());
        }
    }

    /** Comes to the front: bar 1 is looked for now. */
    void shown(boolean inFront) {
        front = inFront;
        if (inFront) {
            session.form().proposeBarOne();
            refresh();
        }
    }

    /** Brings the name under the hand. */
    void rename() {
        name.requestFocus();
        name.selectAll();
    }

    private void refresh() {
        Section chosen = session.selection().section().get();
        none.setVisible(chosen == null);
        none.setManaged(chosen == null);
        sectionCard.setVisible(chosen != null);
        sectionCard.setManaged(chosen != null);
        if (chosen != null) {
            name.show(chosen.name());
            kind.show(chosen.kind());
            bars.setText("bars " + chosen.firstBar() + "\u2013" + (chosen.endBar() - 1));
            tempo.show(Wording.number(tempoNow(), 1), "bpm");
            MetreMap.Change m = song().clock().metre().at(chosen.firstBar());
            metre.show(m.beatsPerBar() + "/" + m.beatUnit());
            glide.show(Wording.number(glideTo, 1), "bpm");
        }
        barOne.show(Wording.number(1000 * origin(), 1), "ms");
        OptionalDouble tapped = taps.bpm();
        tap.setText(taps.count() == 0 ? "Tap the beat" : "Tap the beat: " + taps.count());
        takeTap.setVisible(tapped.isPresent());
        tapped.ifPresent(b -> takeTap.setText("Set " + Wording.number(b, 1) + " bpm"));
        BarOneFinder.BarOne found = session.form().proposal().get();
        proposal.setText(
                found == null
                        ? "The hits agree with the beats, or there are too few to tell."
                        : "By the hits bar 1 begins at "
                                + Wording.number(1000 * found.originSeconds(), 1)
                                + " ms: they would agree with the beats to "
                                + Wording.number(100 * found.agreement(), 0)
                                + " %, now "
                                + Wording.number(100 * found.before(), 0)
                                + " %.");
        takeProposal.setVisible(found != null);
        takeProposal.setManaged(found != null);
    }
}
