package orbispace.app.view.song;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.layout.FlowPane;
import orbispace.app.desk.SongModel;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.SendFields;
import orbispace.core.design.Design;
import orbispace.core.design.GroupEdit;
import orbispace.core.design.Groups;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/** The sends of many stems at once, a field for each return. */
final class ManySends extends FlowPane {
    private static final double FIRST_DB = -12;

    private final SongModel model;
    private final Map<String, NumberField> fields = new LinkedHashMap<>();
    private List<Source> sources = List.of();

    ManySends(SongModel model) {
        super(10, 6);
        this.model = model;
    }

    /** Shows how some sources are sent, and how many of them. */
    void show(Design design, List<Source> picked) {
        sources = picked;
        List<String> letters = design.returns().stream().map(Return::id).toList();
        if (!letters.equals(List.copyOf(fields.keySet()))) {
            fields.clear();
            letters.forEach(id -> fields.put(id, field(id)));
            getChildren().setAll(fields.values());
        }
        for (Return r : design.returns()) {
            OptionalDouble db = Groups.sendDb(picked, r);
            long sent = picked.stream().filter(s -> r.sends().containsKey(s.id())).count();
            boolean all = sent == 0 || sent == picked.size();
            NumberField field = fields.get(r.id());
            if (field != null) {
                field.show(
                        db.isPresent() ? Wording.number(db.getAsDouble(), 1) : "off",
                        all ? "" : sent + " of " + picked.size());
            }
        }
    }

    private NumberField field(String returnId) {
        NumberField field =
                new NumberField(
                        "into " + returnId,
                        "a level like \u221212, or off",
                        text -> typed(returnId, text),
                        (way, size) ->
                                send(
                                        returnId,
                                        sendDb(returnId).orElse(FIRST_DB)
                                                + way * SendFields.stepOf(size)),
                        model.problem()::set);
        field.setPrefWidth(126);
        return field;
    }

    private OptionalDouble sendDb(String returnId) {
        return model.design()
                .get()
                .findReturn(returnId)
                .map(r -> Groups.sendDb(sources, r))
                .orElse(OptionalDouble.empty());
    }

    private boolean typed(String returnId, String text) {
        if (text.strip().equalsIgnoreCase("off") || text.strip().equals("-")) {
            return model.edit(new GroupEdit.SendTogether(ids(), returnId, null));
        }
        OptionalDouble db = Entries.db(text);
        return db.isPresent() && send(returnId, db.getAsDouble());
    }

    private boolean send(String returnId, double db) {
        return model.edit(new GroupEdit.SendTogether(ids(), returnId, db));
    }

    private Set<String> ids() {
        return sources.stream().map(Source::id).collect(Collectors.toSet());
    }
}
