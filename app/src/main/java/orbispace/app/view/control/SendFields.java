package orbispace.app.view.control;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.app.desk.ScreenModel;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.core.design.Design;
import orbispace.core.design.GroupEdit;
import orbispace.core.design.Groups;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.words.Entries;
import orbispace.core.words.ToldApart;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * The levels of what is sent and fed into the chosen return, as fields; a folded group is one, and
 * moves all its members.
 */
public final class SendFields {
    private static final int NAME_LETTERS = 10;

    private static final double GROUP_NAME = 62;

    private final ScreenModel model;

    public SendFields(ScreenModel model) {
        this.model = model;
    }

    /** A field for each send and each feed, in the order of the sources. */
    public Map<String, NumberField> of(Return r) {
        Map<String, NumberField> fields = new LinkedHashMap<>();
        Map<String, String> names =
                ToldApart.of(
                        model.design().get().sources().stream().map(Source::name).toList(),
                        NAME_LETTERS);
        for (Groups.Row row : rows(model, r)) {
            fields.put(
                    key(row),
                    row.group().isPresent()
                            ? groupField(row.group().get().name(), row.sources().size())
                            : sendField(
                                    row.sources().getFirst().id(),
                                    names.getOrDefault(row.name(), row.name())));
        }
        r.feeds().keySet().forEach(id -> fields.put("feed " + id, feedField(id)));
        return fields;
    }

    /** What is sent into a return: sources, and groups that are folded. */
    public static List<Groups.Row> rows(ScreenModel model, Return r) {
        Design design = model.design().get();
        List<Source> sent =
                design.sources().stream().filter(s -> r.sends().containsKey(s.id())).toList();
        return Groups.of(design).rows(sent, model.selection().folded().get());
    }

    private static String key(Groups.Row row) {
        return row.group()
                .map(g -> "group " + g.name())
                .orElseGet(() -> "send " + row.sources().getFirst().id());
    }

    /** Shows the levels of a return in its fields. */
    public void show(Map<String, NumberField> fields, Return r) {
        for (Groups.Row row : rows(model, r)) {
            Groups.sendDb(row.sources(), r).ifPresent(db -> show(fields.get(key(row)), db));
        }
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
                name,
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

    private NumberField groupField(String group, int members) {
        return new NumberField(
                Pen.cut(group, GROUP_NAME, Type.regular(11)) + " (" + members + ")",
                "a level like \u221212, or off",
                text -> {
                    if (text.strip().equalsIgnoreCase("off")) {
                        return setGroup(group, null);
                    }
                    var db = Entries.db(text);
                    return db.isPresent() && setGroup(group, db.getAsDouble());
                },
                (direction, size) ->
                        chosen().map(r -> Groups.of(model.design().get()).sendDb(group, r))
                                .filter(OptionalDouble::isPresent)
                                .ifPresent(db ->
                                        setGroup(
                                                group,
                                                db.getAsDouble() + direction * stepOf(size))),
                model.problem()::set);
    }

    private boolean setGroup(String group, @Nullable Double db) {
        return model.edit(new GroupEdit.SendLevel(group, model.selection().returnId().get(), db));
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
