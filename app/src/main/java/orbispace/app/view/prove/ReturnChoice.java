package orbispace.app.view.prove;

import orbispace.app.desk.ScreenModel;
import orbispace.app.view.control.Choice;
import orbispace.core.design.Return;

/** Which return something is about; it is the chosen one everywhere. */
final class ReturnChoice {
    private ReturnChoice() {}

    static Choice<Return> of(ScreenModel model, Return chosen) {
        Choice<Return> choice =
                new Choice<>(
                        "which return",
                        model.design().get().returns(),
                        Return::name,
                        r -> model.selection().returnId().set(r.id()));
        choice.show(chosen);
        return choice;
    }
}
