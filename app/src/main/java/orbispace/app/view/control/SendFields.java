package orbispace.app.view.control;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import orbispace.app.desk.ScreenModel;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** The levels of what is sent and fed into the chosen return, as fields. */
public final class SendFields {
    private static final double SEND_NAME = 48;

    private final ScreenModel model;

    public SendFields(ScreenModel model) {
        this.model = model;
    }

    /** A field for each send and each feed, in the order of the sources. */
    public Map<String, NumberField> of(Return r) {
        Map<String, NumberField> fields = new LinkedHashMap<>();
        model.design().get().sources().stream()
                .filter(s -> r.sends().containsKey(s.id()))
                .forEach(s -> fields.put("send " + s.id(), sendField(s.id(), s.name())));
        r.feeds().keySet().forEach(id -> fields.put("feed " + id, feedField(id)));
        return fields;
    }

    /** Shows the levels of a return in its fields. */
    public static void show(Map<String, NumberField> fields, Return r) {
        r.sends().forEach((id, send) -> show(fields.get("send " + id), send.levelDb()));
        r.feeds().forEach((id, db) -> show(fields.get("feed " + id), db));
    }

    private static void show(@Nullable NumberField field, double db) {
        if (field != null) {
            field.show(Wording.number(db, 1), "");
        }
    }

    private Optional<Return> chosen() {
        return model.design().get().findReturn(model.selection().returnId().get());
    }

    private NumberField feedField(String from) {
        return new NumberField(
                "from " + from,
                "a level like \u221212",
                text -> {
                    var db = Entries.db(text);
                    return db.isPresent() && setFeed(from, db.getAsDouble());
                },
                (direction, size) ->
                        chosen().flatMap(r -> Optional.ofNullable(r.feeds().get(from)))
                                .ifPresent(db -> setFeed(from, db + direction * stepOf(size))),
                model.problem()::set);
    }

    private boolean setFeed(String from, double db) {
        return model.edit(new ReturnEdit.Feed(model.selection().returnId().get(), from, db));
    }

    private NumberField sendField(String sourceId, String name) {
        return new NumberField(
                shortName(name),
                "a level like \u221212",
                text -> {
                    var db = Entries.db(text);
                    return db.isPresent() && setSend(sourceId, db.getAsDouble());
                },
                (direction, size) ->
                        chosen().flatMap(r -> Optional.ofNullable(r.sends().get(sourceId)))
                                .ifPresent(send ->
                                        setSend(
                                                sourceId,
                                                send.levelDb() + direction * stepOf(size))),
                model.problem()::set);
    }

    /** The last word of a name if no other stem has it, else as much of the name as fits. */
    private String shortName(String name) {
        String last = lastWord(name);
        long same =
                model.design().get().sources().stream()
                        .filter(s -> lastWord(s.name()).equals(last))
                        .count();
        boolean tells = same == 1 && last.length() > 3;
        return tells
                ? last
                : Pen.shortened(
                        name.toLowerCase(java.util.Locale.ROOT), SEND_NAME, Type.regular(11));
    }

    private static String lastWord(String name) {
        return name.substring(name.lastIndexOf(' ') + 1).toLowerCase(java.util.Locale.ROOT);
    }

    private boolean setSend(String sourceId, double db) {
        return model.edit(
                new ReturnEdit.SendLevel(model.selection().returnId().get(), sourceId, db));
    }

    /** A step of a send's level in dB. */
    public static double stepOf(StepSize size) {
        return switch (size) {
            case FINE -> 0.1;
            case PLAIN -> 0.5;
            case COARSE -> 3;
        };
    }
}
