package orbispace.app.view.plan;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.layout.FlowPane;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Throwing;
import orbispace.app.view.control.NumberField;
import orbispace.core.design.Throw;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/** A small field for each point that the level of a throw rides through. */
final class RideNumbers extends FlowPane {
    private final PlanModel model;
    private final Throwing throwing;

    RideNumbers(PlanModel model) {
        super(8, 4);
        this.model = model;
        throwing = model.throwing();
    }

    /** A small field for each point of the ride. */
    void show(Throw t) {
        getChildren().clear();
        setVisible(!t.ride().isEmpty());
        setManaged(!t.ride().isEmpty());
        for (int i = 0; i < t.ride().size(); i++) {
            int point = i;
            NumberField f =
                    new NumberField(
                            "point " + (i + 1),
                            "decibels like \u22124",
                            text -> {
                                OptionalDouble typed = Entries.db(text);
                                typed.ifPresent(v -> ride(point, v));
                                return typed.isPresent();
                            },
                            (direction, size) ->
                                    ride(point, t.ride().get(point).levelDb() + direction),
                            model.problem()::set);
            f.show(Wording.number(t.ride().get(i).levelDb(), 1), "dB");
            getChildren().add(f);
        }
    }

    private void ride(int point, double db) {
        throwing.change(t -> {
            List<Throw.RidePoint> points = new java.util.ArrayList<>(t.ride());
            points.set(point, new Throw.RidePoint(points.get(point).beat(), db));
            return t.withRide(points);
        });
    }
}
