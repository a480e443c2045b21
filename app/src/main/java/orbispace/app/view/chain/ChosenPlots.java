package orbispace.app.view.chain;

import java.util.function.Function;
import orbispace.app.desk.ChainModel;
import orbispace.app.draw.Pen;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;

/** The small plots of the cards, of the return that is chosen. */
final class ChosenPlots {
    private final ChainModel model;

    ChosenPlots(ChainModel model) {
        this.model = model;
    }

    void send(Pen pen) {
        model.chosenReturn().ifPresent(r -> ChainPlots.sends(pen, r, model.design().get()));
    }

    void filter(Pen pen, Function<Return, Filter> which) {
        model.chosenReturn()
                .ifPresent(r ->
                        ChainPlots.filter(
                                pen,
                                r.id(),
                                which.apply(r),
                                model.design().get().song().sampleRateHz()));
    }

    void predelay(Pen pen) {
        model.chosenReturn()
                .ifPresent(
                        r -> ChainPlots.predelay(pen, r, model.measured().pictures().get(r.id())));
    }

    void decay(Pen pen) {
        model.chosenReturn()
                .ifPresent(r ->
                        ChainPlots.decay(pen, r.id(), model.measured().pictures().get(r.id())));
    }

    void echo(Pen pen) {
        model.chosenReturn()
                .ifPresent(r ->
                        ChainPlots.arrivals(pen, r.id(), model.measured().pictures().get(r.id())));
    }

    void drive(Pen pen) {
        model.chosenReturn().ifPresent(r -> ChainPlots.drive(pen, r));
    }

    void gate(Pen pen) {
        model.chosenReturn().ifPresent(r -> ChainPlots.gate(pen, r, model.design().get()));
    }

    void width(Pen pen) {
        model.chosenReturn().ifPresent(r -> ChainPlots.width(pen, r));
    }

    void duck(Pen pen) {
        model.chosenReturn().ifPresent(r -> ChainPlots.duck(pen, r));
    }

    void level(Pen pen) {
        model.chosenReturn().ifPresent(r -> ChainPlots.level(pen, r));
    }
}
