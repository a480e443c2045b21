package orbispace.app.view.frame;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleGroup;
import orbispace.app.desk.FrameModel;
import orbispace.app.desk.PartMatching;
import orbispace.app.listen.KeptSets;
import orbispace.app.listen.OutputChoice;
import orbispace.app.listen.Player;
import orbispace.app.listen.Transport;
import orbispace.core.design.Source;
import orbispace.core.render.HeardBand;
import orbispace.core.render.HeardThrough;
import orbispace.core.render.Listen;
import orbispace.core.render.ListeningSet;
import orbispace.core.words.Wording;

/**
 * How it is listened to, in words: mono, dry or wet alone, solos and mutes, sets of them, and the
 * match.
 */
public final class ListenMenu extends MenuButton {
    private static final List<Double> DIMS = List.of(-6.0, -12.0, -18.0, -24.0, Listen.SILENT_DB);

    private static final List<Integer> FRAMES = List.of(512, 1024, 2048, 4096, 8192);
    private static final List<Integer> RATES = List.of(0, 44100, 48000, 88200, 96000);
    private static final int MOST_LETTERS = 3;

    private final FrameModel model;
    private final Transport transport;
    private final Menu kept = new Menu("Kept solos and mutes");
    private final Menu match = new Menu("Match before and after by");
    private final Menu devices = new Menu("Sound goes to");
    private final Menu keep = new Menu("Keep what is soloed and muted");

    ListenMenu(FrameModel model) {
        this.model = model;
        transport = model.transport();
        getStyleClass().add("kind-menu");
        setAccessibleText("how to listen");
        CheckMenuItem wet = new CheckMenuItem("Only the returns (W)");
        wet.selectedProperty().bindBidirectional(transport.wetOnly());
        CheckMenuItem dry = new CheckMenuItem("Dry alone, as loud (D)");
        dry.selectedProperty().bindBidirectional(transport.dryAlone());
        CheckMenuItem mono = new CheckMenuItem("Both sides as one (M)");
        mono.selectedProperty().bindBidirectional(transport.mono());
        CheckMenuItem alone = new CheckMenuItem("A soloed return without the sources");
        alone.selectedProperty().bindBidirectional(transport.returnAlone());
        MenuItem all = new MenuItem("Take back every solo and mute");
        all.setOnAction(e -> transport.hearAll());
        CheckMenuItem told = new CheckMenuItem("Tell how long the ears have worked, under Prove");
        told.selectedProperty().bindBidirectional(model.ears().told());
        getItems()
                .addAll(
                        mono,
                        dry,
                        wet,
                        match,
                        new SeparatorMenuItem(),
                        kept,
                        keep,
                        all,
                        new SeparatorMenuItem(),
                        choice(
                                "Hear it through",
                                List.of(HeardThrough.values()),
                                HeardThrough::words,
                                transport.through().get(),
                                transport.through()::set),
                        choice(
                                "A soloed source is heard",
                                List.of(Listen.SoloWet.values()),
                                Listen.SoloWet::words,
                                transport.soloWet().get(),
                                transport.soloWet()::set),
                        choice(
                                "While something is soloed, turn the rest down",
                                DIMS,
                                ListenMenu::dim,
                                transport.dimDb().get(),
                                transport.dimDb()::set),
                        alone,
                        new SeparatorMenuItem(),
                        devices,
                        choice(
                                "Frames held ahead",
                                FRAMES,
                                n -> n + " frames",
                                transport.output().get().frames(),
                                n -> transport.output().set(output().withFrames(n))),
                        choice(
                                "Its sample rate",
                                RATES,
                                n -> n == 0 ? "as the song" : Wording.hertz(n),
                                output().rateHz(),
                                n -> transport.output().set(output().withRate(n))),
                        told);
        // What there is may change while the window is open, and takes a moment to be asked for.
        devices.getItems().setAll(new MenuItem(""));
        setOnShowing(e -> {
            fill();
            devices.getItems().setAll(devices());
        });
        transport.wetOnly().addListener((o, was, is) -> say());
        transport.dryAlone().addListener((o, was, is) -> say());
        transport.mono().addListener((o, was, is) -> say());
        transport.set().addListener((o, was, is) -> say());
        transport.dimDb().addListener((o, was, is) -> say());
        transport.through().addListener((o, was, is) -> say());
        transport.band().addListener((o, was, is) -> say());
        transport.returnAlone().addListener((o, was, is) -> say());
        fill();
        say();
    }

    private static <T> Menu choice(
            String name, List<T> all, Function<T, String> words, T now, Consumer<T> chosen) {
        Menu menu = new Menu(name);
        ToggleGroup group = new ToggleGroup();
        for (T one : all) {
            RadioMenuItem item = new RadioMenuItem(words.apply(one));
            item.setToggleGroup(group);
            item.setSelected(one.equals(now));
            item.setOnAction(e -> chosen.accept(one));
            menu.getItems().add(item);
        }
        return menu;
    }

    /** The sets that are kept, and the numbers under which one can be. */
    private void fill() {
        match.getItems().setAll(parts());
        KeptSets sets = model.sets();
        kept.getItems()
                .setAll(
                        sets.sets().get().entrySet().stream()
                                .map(e -> {
                                    String words = e.getKey() + "  " + words(e.getValue());
                                    MenuItem item =
                                            new MenuItem(words + " (Ctrl+" + e.getKey() + ")");
                                    item.setOnAction(a -> sets.hear(e.getKey()));
                                    return item;
                                })
                                .toList());
        kept.setDisable(kept.getItems().isEmpty());
        keep.getItems()
                .setAll(
                        IntStream.rangeClosed(1, KeptSets.MOST)
                                .mapToObj(n -> {
                                    MenuItem item =
                                            new MenuItem("under " + n + " (Ctrl+Shift+" + n + ")");
                                    item.setOnAction(a -> sets.keep(n));
                                    return item;
                                })
                                .toList());
    }

    private OutputChoice output() {
        return transport.output().get();
    }

    private List<MenuItem> devices() {
        OutputChoice now = output();
        ToggleGroup group = new ToggleGroup();
        return Stream.concat(Stream.of(""), Player.devices().stream())
                .<MenuItem>map(name -> {
                    RadioMenuItem item =
                            new RadioMenuItem(name.isEmpty() ? "what the system prefers" : name);
                    item.setToggleGroup(group);
                    item.setSelected(name.equals(now.device()));
                    item.setOnAction(e -> transport.output().set(output().withDevice(name)));
                    return item;
                })
                .toList();
    }

    /** The whole mix, or any part of it. */
    private List<MenuItem> parts() {
        var part = model.matching().part();
        ToggleGroup group = new ToggleGroup();
        Map<String, String> all = new LinkedHashMap<>();
        all.put("", "the whole mix");
        all.putAll(PartMatching.choices(model.design().get()));
        return all.entrySet().stream()
                .<MenuItem>map(e -> {
                    RadioMenuItem item = new RadioMenuItem(e.getValue());
                    item.setToggleGroup(group);
                    item.setSelected(e.getKey().equals(part.get()));
                    item.setOnAction(a -> part.set(e.getKey()));
                    return item;
                })
                .toList();
    }

    private String words(ListeningSet set) {
        return set.words(id -> model.design().get().findSource(id).map(Source::name).orElse(id));
    }

    /** A dimming in words. */
    public static String dim(double db) {
        return db <= Listen.SILENT_DB ? "to silence" : "by " + Wording.number(-db, 0) + " dB";
    }

    private void say() {
        String heard = heard();
        // With words of its own there is no room for mono, which its switch above shows.
        boolean mono = transport.mono().get();
        setText(!heard.isEmpty() ? heard : mono ? "in mono" : "all heard");
        setAccessibleText("how to listen: " + words(transport.set().get()));
    }

    private String heard() {
        if (transport.band().get() != HeardBand.ALL) {
            return transport.band().get().words();
        }
        if (transport.through().get() != HeardThrough.HEADPHONES) {
            return transport.through().get().brief();
        }
        if (transport.dryAlone().get()) {
            return "dry alone";
        }
        if (transport.wetOnly().get()) {
            return "wet alone";
        }
        ListeningSet set = transport.set().get();
        int soloed = set.soloed().size();
        if (soloed > 0) {
            double db = transport.dimDb().get();
            return db <= Listen.SILENT_DB ? soloed + " soloed" : "rest " + Wording.number(db, 0);
        }
        int muted = set.muted().size() + set.mutedReturns().size();
        if (set.soloedReturns().isEmpty()) {
            return muted == 0 ? "" : muted + " muted";
        }
        List<String> letters = set.soloedReturns().stream().sorted().toList();
        return (transport.returnAlone().get() ? "just " : "dry, ")
                + (letters.size() > MOST_LETTERS
                        ? letters.size() + " wet"
                        : String.join("", letters));
    }
}
