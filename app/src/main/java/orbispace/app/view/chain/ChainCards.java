package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ChainModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.measuring.Drafting;
import orbispace.app.song.Reasons;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.SendFields;
import orbispace.core.design.BandKnob;
import orbispace.core.design.ChainKnob;
import orbispace.core.design.Drive;
import orbispace.core.design.DuckKnob;
import orbispace.core.design.Edit;
import orbispace.core.design.Filter;
import orbispace.core.design.GateKnob;
import orbispace.core.design.Knob;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.draft.TimeProposal;
import orbispace.core.draft.TimeProposals;

/** The cards of a return's chain, one under another, with a field for each of its numbers. */
final class ChainCards extends VBox {
    private final ChainModel model;
    private final SendFields sendFields;
    private final Map<String, NumberField> sends = new LinkedHashMap<>();
    private final Map<Knob, NumberField> fields = new LinkedHashMap<>();
    private final List<ChainCard> cards = new ArrayList<>();
    private final List<WetCard> wet = new ArrayList<>();
    private final Label why = words();
    private final Label settled = words();
    private final Label fixed = words();
    private final ChosenPlots plots;
    private final SendsMenu sendsMenu;
    private final DuckKeyMenu duckKey;
    private final BlendLine blend;
    private final Map<TimeProposal.Subject, TimeProposalList> proposals =
            new EnumMap<>(TimeProposal.Subject.class);
    private Palette palette = Palette.DAY;

    ChainCards(ChainModel model) {
        this.model = model;
        plots = new ChosenPlots(model);
        sendsMenu = new SendsMenu(model);
        sendFields = new SendFields(model);
        duckKey = new DuckKeyMenu(model);
        blend = new BlendLine(model);
        for (TimeProposal.Subject subject : TimeProposal.Subject.values()) {
            proposals.put(subject, new TimeProposalList(model, subject));
        }
    }

    private static Label words() {
        Label label = new Label();
        label.getStyleClass().add("why");
        label.setWrapText(true);
        return label;
    }

    void setPalette(Palette given) {
        palette = given;
        cards.forEach(c -> c.setPalette(given));
    }

    /** Lays out the cards that a return needs. */
    void build(Return r) {
        getChildren().clear();
        fields.clear();
        sends.clear();
        cards.clear();
        Drive drive = r.chain().drive();
        before(r);
        if (drive == null || !drive.afterSpace()) {
            drive("DRIVE BEFORE", r);
        }
        add("PREDELAY", plots::predelay, ChainKnob.PREDELAY)
                .addBelow(proposed(TimeProposal.Subject.PREDELAY), fixed);
        space(r);
        if (drive != null && drive.afterSpace()) {
            drive("DRIVE AFTER", r);
        }
        behind(r);
        wet.clear();
        for (Optional<Purpose> of :
                List.of(
                        Optional.of(Purposes.of(model.design().get(), r)),
                        Optional.<Purpose>empty())) {
            WetCard passed = new WetCard(model, of);
            wet.add(passed);
            passed.addTo(this::card);
        }
        cards.getFirst().end(true, false);
        cards.getLast().end(false, true);
    }

    private void before(Return r) {
        sends.putAll(sendFields.of(r));
        card("SENDS, dB", plots::send, ChainCard.rows(List.copyOf(sends.values()), 3))
                .addBelow(sendsMenu);
        r.sends()
                .forEach((id, send) -> {
                    if (send.gate() != null) {
                        sendGate(id);
                    }
                });
        filter("FILTER BEFORE", true, r);
    }

    private void behind(Return r) {
        gate(r);
        filter("FILTER AFTER", false, r)
                .addBelow(
                        settled,
                        Plate.small(
                                "Before or after? Settle it",
                                () -> model.chosenReturn().ifPresent(model.settling()::filters)));
        add("DUCK", plots::duck, DuckKnob.values()).addBelow(duckKey);
        List<Region> sides = List.of(known(ChainKnob.WIDTH), known(ChainKnob.PAN));
        card("WIDTH", plots::width, List.of(sides, List.of(known(ChainKnob.MONO_BELOW))));
        add("LEVEL", plots::level, ChainKnob.LEVEL).addBelow(blend);
    }

    /** Two corners, and the bands that there are. */
    private ChainCard filter(String head, boolean before, Return r) {
        List<List<Region>> rows = new ArrayList<>();
        FilterRows.of(before, r).forEach(row -> rows.add(row.stream().map(this::known).toList()));
        ChainCard card =
                card(
                        head,
                        pen -> plots.filter(pen, before ? Return::filterIn : Return::filterOut),
                        rows);
        card.addBelow(
                new BandMenus(
                        before ? "before" : "after",
                        () -> slot(model.chosenReturn().orElse(r), before),
                        f ->
                                model.chosenReturn()
                                        .ifPresent(c -> model.edit(BandKnob.set(c, before, f)))));
        return card;
    }

    private static Filter slot(Return r, boolean before) {
        return before ? r.filterIn() : r.filterOut();
    }

    private void space(Return r) {
        for (SpaceCard card : SpaceCard.of(r.space())) {
            Consumer<Pen> plot =
                    switch (card.plot()) {
                        case DECAY -> plots::decay;
                        case ARRIVALS -> plots::echo;
                        case NONE -> pen -> {};
                    };
            ChainCard shown = add(card.head(), plot, card.numbers().toArray(Knob[]::new));
            if (card.explained()) {
                shown.addBelow(why);
            }
        }
        if (r.space() instanceof SplitPair pair) {
            cards.getLast().addBelow(new PairLine(model, pair));
        }
        if (r.space() instanceof Space.Copies copies) {
            cards.getLast().addBelow(new CopiesLine(model, copies.copies().size()));
        }
        cards.getLast().addBelow(proposed(TimeProposal.Subject.SPACE));
    }

    private TimeProposalList proposed(TimeProposal.Subject subject) {
        return Objects.requireNonNull(proposals.get(subject));
    }

    private void drive(String head, Return r) {
        ChainCard card = add(head, plots::drive, ChainKnob.DRIVE);
        Drive drive = r.chain().drive();
        if (drive != null) {
            card.addBelow(new DriveLine(model, drive));
        }
    }

    private void gate(Return r) {
        if (r.gate() == null) {
            add("GATE", pen -> {}, new Knob[0])
                    .addBelow(
                            Plate.small(
                                    "Gate this return",
                                    () ->
                                            model.chosenReturn()
                                                    .ifPresent(model.field()::gateReturn)));
            return;
        }
        add("GATE", plots::gate, GateRows.OWN.stream().map(GateKnob::own).toArray(Knob[]::new))
                .addBelow(
                        proposed(TimeProposal.Subject.GATE),
                        Plate.small(
                                "Take the gate out",
                                () -> model.edit(new ReturnEdit.Gating(r.id(), null))));
    }

    private void sendGate(String source) {
        String name = model.design().get().findSource(source).map(Source::name).orElse(source);
        add(
                "GATE OF THE SEND: " + name.toUpperCase(Locale.ROOT),
                pen -> {},
                GateRows.OF_SEND.stream().map(k -> k.ofSend(source)).toArray(Knob[]::new));
    }

    private ChainCard add(String head, Consumer<Pen> drawing, Knob... numbers) {
        List<Region> list = new ArrayList<>();
        for (Knob number : numbers) {
            list.add(known(number));
        }
        // A note value with its milliseconds needs the room of half a row.
        boolean wide =
                List.of(numbers).stream().anyMatch(k -> k.isTime() && k != ChainKnob.PREDELAY);
        return card(head, drawing, ChainCard.rows(list, wide ? 2 : 3));
    }

    /** A field for a number, which is kept up to date. */
    private Region known(Knob number) {
        NumberField field = field(number);
        fields.put(number, field);
        return field;
    }

    private ChainCard card(String head, Consumer<Pen> drawing, List<List<Region>> rows) {
        ChainCard card = new ChainCard(head, drawing, rows);
        card.setPalette(palette);
        cards.add(card);
        getChildren().add(card);
        return card;
    }

    private NumberField field(Knob number) {
        return new NumberField(
                number.label(),
                number.accepted(),
                text -> taken(r -> number.typed(model.at(), r, text)),
                (direction, size) ->
                        taken(r -> number.stepped(model.at(), r, direction * size.steps())),
                model.problem()::set);
    }

    private boolean taken(Function<Return, Optional<Edit>> turn) {
        Optional<Edit> edit = model.chosenReturn().flatMap(turn);
        edit.ifPresent(model::edit);
        return edit.isPresent();
    }

    /** Shows the numbers of a return. */
    void show(Return r) {
        duckKey.show(r);
        sendFields.show(sends, r);
        fields.forEach((number, field) ->
                number.read(model.design().get(), r)
                        .ifPresent(reading -> field.show(reading.value(), reading.unit())));
        List<TimeProposal> times =
                TimeProposals.of(
                        model.design().get(),
                        r,
                        Drafting.facts(
                                model.design().get(),
                                model.measured().materials(),
                                model.selection().bar()));
        proposals.values().forEach(p -> p.show(times));
        blend.show();
        wet.forEach(WetCard::show);
        say(fixed, Reasons.fixedTimes(model.design().get().song(), r));
        say(why, model.reasons().spaceAndStart());
        say(settled, model.settling().byReturn().getOrDefault(r.id(), ""));
        cards.forEach(ChainCard::refresh);
    }

    private static void say(Label label, String words) {
        label.setText(words);
        label.setManaged(!words.isEmpty());
    }
}
