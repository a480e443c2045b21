package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ChainModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.knob.GateNumbers;
import orbispace.app.knob.ReturnEdits;
import orbispace.app.knob.ReturnReadings;
import orbispace.app.song.Reasons;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.SendFields;
import orbispace.app.view.frame.Inspector;
import orbispace.core.design.Drive;
import orbispace.core.design.Edit;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.draft.TimeProposal;

/** The chain of the chosen return as a path of small cards. */
public final class ReturnInspector extends Inspector {
    private static final Set<String> TIMES =
            Set.of("echo time", "right time", "gated: length", "gate: length");

    private final ChainModel model;
    private final VBox cards = new VBox();
    private final ReturnHead head;
    private final Map<String, NumberField> fields = new LinkedHashMap<>();
    private final List<ChainCard> plots = new ArrayList<>();
    private final Label why = new Label();
    private final Label settled = new Label();
    private final SendsMenu sendsMenu;
    private final DuckKeyMenu duckKey;
    private final Label fixed = new Label();
    private final Map<TimeProposal.Subject, TimeProposalList> proposals =
            new EnumMap<>(TimeProposal.Subject.class);
    private Palette palette = Palette.DAY;
    private String shape = "";

    public ReturnInspector(ChainModel model) {
        this.model = model;
        getStyleClass().add("inspector");
        why.getStyleClass().add("why");
        why.setWrapText(true);
        settled.getStyleClass().add("why");
        settled.setWrapText(true);
        sendsMenu = new SendsMenu(model);
        duckKey = new DuckKeyMenu(model);
        head = new ReturnHead(model);
        fixed.getStyleClass().add("why");
        fixed.setWrapText(true);
        for (TimeProposal.Subject subject : TimeProposal.Subject.values()) {
            proposals.put(subject, new TimeProposalList(model, subject));
        }
        ScrollPane scroll = new ScrollPane(cards);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, javafx.scene.layout.Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        model.design().addListener((o, was, is) -> refresh());
        model.selection().returnId().addListener((o, was, is) -> refresh());
        model.measured()
                .pictures()
                .addListener((javafx.collections.MapChangeListener<Object, Object>) c -> refresh());
        model.measured()
                .materials()
                .addListener((javafx.collections.MapChangeListener<Object, Object>) c -> refresh());
        model.selection().section().addListener((o, was, is) -> refresh());
        model.field()
                .settled()
                .addListener((javafx.collections.MapChangeListener<Object, Object>) c -> refresh());
        refresh();
    }

    private Optional<Return> chosen() {
        return model.design().get().findReturn(model.selection().returnId().get());
    }

    @Override
    public void setPalette(Palette given) {
        palette = given;
        head.setPalette(given);
        plots.forEach(c -> c.setPalette(given));
    }

    private void refresh() {
        Optional<Return> r = chosen();
        head.refresh();
        if (r.isEmpty()) {
            cards.getChildren().clear();
            shape = "";
            return;
        }
        String now = shapeOf(r.get());
        if (!now.equals(shape)) {
            shape = now;
            build(r.get());
        }
        show(r.get());
        plots.forEach(ChainCard::refresh);
    }

    /** What makes other cards necessary. */
    private static String shapeOf(Return r) {
        Drive drive = r.chain().drive();
        return r.id()
                + r.space().kindLabel()
                + (r.space() instanceof Space.Doubler d ? d.copies().size() : "")
                + r.sends().keySet()
                + r.sends().values().stream().map(s -> s.gate() != null).toList()
                + r.feeds().keySet()
                + (drive == null ? "" : "drive" + drive.afterSpace())
                + (r.gate() == null ? "" : "gate");
    }

    private void build(Return r) {
        cards.getChildren().clear();
        fields.clear();
        plots.clear();
        cards.getChildren().add(sends(r));
        r.sends()
                .forEach((id, send) -> {
                    if (send.gate() != null) {
                        sendGate(id);
                    }
                });
        add(
                "FILTER BEFORE",
                pen -> filterPlot(pen, Return::filterIn),
                "high-pass before",
                "low-pass before");
        boolean driveAfter = r.chain().drive() != null && r.chain().drive().afterSpace();
        if (!driveAfter) {
            drive("DRIVE BEFORE", r);
        }
        add("PREDELAY", this::predelayPlot, "predelay");
        plots.getLast().addBelow(proposed(TimeProposal.Subject.PREDELAY), fixed);
        space(r.space());
        if (driveAfter) {
            drive("DRIVE AFTER", r);
        }
        gate(r);
        add(
                "FILTER AFTER",
                pen -> filterPlot(pen, Return::filterOut),
                "high-pass",
                "low-pass",
                "dip at",
                "dip by");
        plots.getLast()
                .addBelow(
                        settled,
                        Plate.small(
                                "Before or after? Settle it",
                                () -> chosen().ifPresent(model.field()::settleFilters)));
        add(
                "DUCK",
                this::duckPlot,
                "depth",
                "hold",
                "release",
                "duck over",
                "duck from",
                "duck to");
        plots.getLast().addBelow(duckKey);
        add("WIDTH", this::widthPlot, "width", "mono below");
        add("LEVEL", this::levelPlot, "return");
        plots.getFirst().end(true, false);
        plots.getLast().end(false, true);
    }

    private void space(Space space) {
        for (SpaceCard card : SpaceCard.of(space)) {
            Consumer<Pen> plot =
                    switch (card.plot()) {
                        case DECAY -> this::decayPlot;
                        case ARRIVALS -> this::echoPlot;
                        case NONE -> pen -> {};
                    };
            add(card.head(), plot, card.numbers().toArray(String[]::new));
            if (card.explained()) {
                plots.getLast().addBelow(why);
            }
        }
        plots.getLast().addBelow(proposed(TimeProposal.Subject.SPACE));
    }

    private TimeProposalList proposed(TimeProposal.Subject subject) {
        return java.util.Objects.requireNonNull(proposals.get(subject));
    }

    private void drive(String head, Return r) {
        add(head, this::drivePlot, "drive");
        Drive drive = r.chain().drive();
        if (drive != null) {
            String text = drive.afterSpace() ? "Before the space" : "After the space";
            plots.getLast()
                    .addBelow(
                            Plate.small(
                                    text,
                                    () ->
                                            model.edit(
                                                    new ReturnEdit.Driving(
                                                            r.id(),
                                                            new Drive(
                                                                    drive.driveDb(),
                                                                    !drive.afterSpace())))));
        }
    }

    private void gate(Return r) {
        if (r.gate() == null) {
            add("GATE", pen -> {});
            plots.getLast()
                    .addBelow(
                            Plate.small(
                                    "Gate this return",
                                    () -> chosen().ifPresent(model.field()::gateReturn)));
            return;
        }
        add(
                "GATE",
                this::gatePlot,
                "gate: opens at",
                "gate: hysteresis",
                "gate: attack",
                "gate: length",
                "gate: release",
                "gate: closes by",
                "gate: key from",
                "gate: key to");
        plots.getLast()
                .addBelow(
                        proposed(TimeProposal.Subject.GATE),
                        Plate.small(
                                "Take the gate out",
                                () -> model.edit(new ReturnEdit.Gating(r.id(), null))));
    }

    private void sendGate(String source) {
        String name = model.design().get().findSource(source).map(Source::name).orElse(source);
        String prefix = GateNumbers.ofSend(source);
        add(
                "GATE OF THE SEND: " + name.toUpperCase(java.util.Locale.ROOT),
                pen -> {},
                prefix + "opens at",
                prefix + "hysteresis",
                prefix + "closes by",
                prefix + "attack",
                prefix + "hold",
                prefix + "release",
                prefix + "key from",
                prefix + "key to");
    }

    private Region sends(Return r) {
        Map<String, NumberField> sends = new SendFields(model).of(r);
        fields.putAll(sends);
        ChainCard card =
                new ChainCard(
                        "SENDS, dB", this::sendPlot, false, sends.values().toArray(Region[]::new));
        card.addBelow(sendsMenu);
        plots.add(card);
        card.setPalette(palette);
        return card;
    }

    private void add(String head, Consumer<Pen> drawing, String... names) {
        List<Region> list = new ArrayList<>();
        for (String name : names) {
            NumberField field =
                    new NumberField(
                            name.substring(name.indexOf(':') + 1).strip().replace(" before", ""),
                            ReturnEdits.accepted(name),
                            text -> typed(name, text),
                            (direction, size) ->
                                    chosen().flatMap(r ->
                                                    ReturnEdits.step(
                                                            model.at(), r, name, direction, size))
                                            .ifPresent(model::edit),
                            model.problem()::set);
            fields.put(name, field);
            list.add(field);
        }
        // A note value with its milliseconds needs the room of half a row.
        boolean wide = List.of(names).stream().anyMatch(TIMES::contains);
        ChainCard card = new ChainCard(head, drawing, wide, list.toArray(Region[]::new));
        card.setPalette(palette);
        plots.add(card);
        cards.getChildren().add(card);
    }

    private boolean typed(String name, String text) {
        Optional<Edit> edit = chosen().flatMap(r -> ReturnEdits.typed(model.at(), r, name, text));
        edit.ifPresent(model::edit);
        return edit.isPresent();
    }

    private void show(Return r) {
        duckKey.show(r);
        ReturnReadings.of(model.design().get(), r)
                .forEach((name, reading) -> {
                    NumberField field = fields.get(name);
                    if (field != null) {
                        field.show(reading.value(), reading.unit());
                    }
                });
        proposals.values().forEach(p -> p.refresh(r));
        fixed.setText(Reasons.fixedTimes(model.design().get().song(), r));
        fixed.setManaged(!fixed.getText().isEmpty());
        why.setText(model.reasons().space());
        why.setManaged(!why.getText().isEmpty());
        settled.setText(model.field().settled().getOrDefault(r.id(), ""));
        settled.setManaged(!settled.getText().isEmpty());
    }

    private void sendPlot(Pen pen) {
        chosen().ifPresent(r -> ChainPlots.sends(pen, r, model.design().get()));
    }

    private void filterPlot(Pen pen, Function<Return, Filter> which) {
        chosen().ifPresent(r ->
                ChainPlots.filter(
                        pen, r.id(), which.apply(r), model.design().get().song().sampleRateHz()));
    }

    private void predelayPlot(Pen pen) {
        chosen().ifPresent(
                        r -> ChainPlots.predelay(pen, r, model.measured().pictures().get(r.id())));
    }

    private void decayPlot(Pen pen) {
        chosen().ifPresent(r ->
                ChainPlots.decay(pen, r.id(), model.measured().pictures().get(r.id())));
    }

    private void echoPlot(Pen pen) {
        chosen().ifPresent(r ->
                ChainPlots.arrivals(pen, r.id(), model.measured().pictures().get(r.id())));
    }

    private void drivePlot(Pen pen) {
        chosen().ifPresent(r -> ChainPlots.drive(pen, r));
    }

    private void gatePlot(Pen pen) {
        chosen().ifPresent(r -> ChainPlots.gate(pen, r, model.design().get()));
    }

    private void widthPlot(Pen pen) {
        chosen().ifPresent(r -> ChainPlots.width(pen, r));
    }

    private void duckPlot(Pen pen) {
        chosen().ifPresent(r -> ChainPlots.duck(pen, r));
    }

    private void levelPlot(Pen pen) {
        chosen().ifPresent(r -> ChainPlots.level(pen, r));
    }
}
