package orbispace.app.view.orbit;

import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.OrbitModel;
import orbispace.app.desk.UnitMeasuring;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Plate;
import orbispace.core.audio.Polarity;
import orbispace.core.design.Return;
import orbispace.core.prove.compare.ReverbFit;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** What a sweep told of a unit: the panel's word beside the truth, and how to take it over. */
final class UnitResult extends VBox {
    private final OrbitModel model;
    private final UnitMeasuring units;
    private final UnitPlot plot = new UnitPlot();
    private final Label name = new Label();
    private final FlowPane facts = new FlowPane(18, 4);
    private final FlowPane uses = new FlowPane(6, 6);
    private final Label fit = words("", "why");

    UnitResult(OrbitModel model) {
        super(8);
        this.model = model;
        units = model.units();
        name.getStyleClass().add("inspector-title");
        VBox.setVgrow(plot, Priority.ALWAYS);
        plot.setMinHeight(150);
        fit.setMinHeight(USE_PREF_SIZE);
        getChildren().addAll(name, facts, plot, fit, uses);
        Plate.clip(this).getStyleClass().add("draft-card");
    }

    private static Label words(String text, String style) {
        Label label = new Label(text);
        label.getStyleClass().add(style);
        label.setWrapText(true);
        return label;
    }

    void setPalette(Palette palette) {
        plot.setPalette(palette);
    }

    /** Shows a unit, if one was measured, against what its panel says. */
    void show(UnitMeasuring.@Nullable Measured now, OptionalDouble said) {
        facts.getChildren().clear();
        uses.getChildren().clear();
        plot.show(now == null ? Optional.empty() : Optional.of(now.report()), said);
        if (now == null) {
            name.setText("Nothing is measured yet");
            fit.setText(
                    "Its latency to the sample, polarity, noise, harmonics and decay per octave"
                            + " will stand here, the panel's word beside the truth.");
            return;
        }
        name.setText(now.name());
        facts(now, said);
        fit.setText(now.fit().map(UnitResult::fitted).orElse(""));
        model.design()
                .get()
                .findReturn(model.selection().returnId().get())
                .ifPresent(r -> uses(now, r));
    }

    private void uses(UnitMeasuring.Measured now, Return r) {
        uses.getChildren().add(Plate.button("Use its response in " + r.id(), () -> units.use(r)));
        uses.getChildren()
                .add(
                        now.fit().isEmpty()
                                ? Plate.button("Set our reverb like it", units::fit)
                                : Plate.button(
                                        "Use that reverb in " + r.id(), () -> units.useFit(r)));
    }

    private static String fitted(ReverbFit f) {
        return "Nearest is our "
                + f.space().kind().label()
                + ": decay "
                + Wording.seconds(f.space().decaySeconds())
                + ", lows \u00d7"
                + Wording.number(f.space().lowRatio(), 2)
                + ", highs \u00d7"
                + Wording.number(f.space().highRatio(), 2)
                + ", width \u00d7"
                + Wording.number(f.width(), 2)
                + ". Its T30 is off by "
                + Wording.percent(f.residual(), 1)
                + " on the mean and "
                + Wording.percent(f.worst(), 1)
                + " at most, its early energy by "
                + Wording.signed(f.clarityOffDb())
                + " dB.";
    }

    private void facts(UnitMeasuring.Measured now, OptionalDouble said) {
        var report = now.report();
        OptionalDouble truth = report.trueSeconds();
        String decay = truth.isPresent() ? Wording.seconds(truth.getAsDouble()) : "not measurable";
        fact("decay, 500 Hz to 1 kHz", decay);
        if (said.isPresent()) {
            String off =
                    truth.isPresent()
                            ? ", "
                                    + Wording.percent(
                                            said.getAsDouble() / truth.getAsDouble() - 1, 0)
                                    + " off"
                            : "";
            fact("its panel says", Wording.seconds(said.getAsDouble()) + off);
        }
        double rate = report.response().sampleRateHz();
        fact(
                "latency",
                report.latencySamples()
                        + " samples, "
                        + Wording.number(1000 * report.latencySamples() / rate, 2)
                        + " ms");
        fact(
                "polarity",
                report.polarity() == Polarity.NOT_SURE
                        ? "not sure: no arrival leads"
                        : report.polarity().label());
        fact("noise", Wording.number(report.noiseDbfs(), 1) + " dBFS");
        fact("clocks", report.clocks());
        report.harmonics().forEach(h -> fact("harmonic " + h.order(), Wording.db(h.levelDb())));
    }

    private void fact(String what, String value) {
        Label head = words(what, "caption");
        Label number = words(value, "row-name");
        Node both = new VBox(-2, head, number);
        facts.getChildren().add(both);
    }
}
