package orbispace.app.listen;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Edit;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.SongEdit;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.design.Throw;
import orbispace.core.design.ThrowsEdit;
import orbispace.core.design.Width;
import orbispace.core.render.Job;
import orbispace.core.render.LiveSettings;
import orbispace.core.render.Renderer;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;

/**
 * A random sequence of play, stop, seek, loop, edit, add, remove, flip, throw and plan on a field
 * of all kinds. Copies stand undetuned: where a detuned copy stands depends on how long it has been
 * drifting.
 */
final class ListeningSequence {
    private static final double RATE = 48000;
    private static final double SECONDS = 12;
    private static final double DECAY = 1.2;

    /** The second difference that a corner in the sound of these tones must stay under. */
    private static final double CLICK = 0.004;

    private static float[] tone(double hz, double amplitude) {
        float[] x = new float[(int) (SECONDS * RATE)];
        for (int i = 0; i < x.length; i++) {
            double swell = 0.6 + 0.4 * Math.sin(2 * Math.PI * 0.7 * i / RATE);
            x[i] = (float) (amplitude * swell * Math.sin(2 * Math.PI * hz * i / RATE));
        }
        return x;
    }

    private static float[] drum() {
        float[] x = new float[(int) (SECONDS * RATE)];
        for (double hit = 0.25; hit < SECONDS - 0.3; hit += 0.5) {
            int at = (int) (hit * RATE);
            for (int i = 0; i < 9600; i++) {
                double rise = Math.min(1, i / 200.0);
                double fall = Math.exp(-i / 2400.0);
                x[at + i] += (float) (0.1 * rise * fall * Math.sin(2 * Math.PI * 120 * i / RATE));
            }
        }
        return x;
    }

    /** A response without highs, so that no tone becomes steeper by it. */
    private static Audio response(long seed) {
        Random random = new Random(seed);
        float[] x = new float[24000];
        double low = 0;
        for (int i = 0; i < x.length; i++) {
            low += 0.1 * (random.nextGaussian() * Math.exp(-i / 4000.0) - low);
            x[i] = (float) low;
        }
        return Audio.of(RATE, x);
    }

    private static final SongMaterial MATERIAL =
            new SongMaterial(
                    Map.of(
                            "voice", Audio.of(RATE, tone(330, 0.05)),
                            "bed", Audio.of(RATE, tone(196, 0.03), tone(147, 0.03)),
                            "drum", Audio.of(RATE, drum())),
                    RATE,
                    new Responses(
                            Map.of(
                                    "pier.wav",
                                    Responses.Recorded.of(response(4)),
                                    "hold.wav",
                                    Responses.Recorded.of(response(5)))));

    private final Random random;
    private final Deck deck = new Deck(RATE);
    private final List<float[]> tape = new ArrayList<>();
    private Design design;
    private Design other;
    private LiveSettings heard;

    private ListeningSequence(long seed) {
        random = new Random(seed);
        design = field();
        other = new FieldEdit.Remove("C").applyTo(design);
        heard = LiveSettings.of(design, MATERIAL, LiveSettings.Hearing.PLAIN);
        deck.hear(heard, MATERIAL.frames());
    }

    private static Return ret(String id, Chain chain, Map<String, Send> sends) {
        return new Return(id, id, sends, Map.of(), chain, -6, new Return.Timing(1, false));
    }

    private double between(double low, double high) {
        return low + random.nextDouble() * (high - low);
    }

    private static final MusicalTime EIGHTH = new MusicalTime.Millis(250);

    private Space space() {
        return switch (random.nextInt(8)) {
            case 0 -> new Space.Reverb(ReverbKind.HALL, between(0.4, DECAY), 1, 0.5, 1);
            case 1 -> new Space.Reverb(ReverbKind.PLATE, between(0.4, DECAY), 1, 0.5, 1);
            case 2 -> new Space.Convolution("pier.wav", 0, 0, 1, between(0.5, 1), 1);
            case 3 -> new Space.Convolution("hold.wav", 0, 0, 1, 1, 1);
            case 4 ->
                    new Space.Gated(
                            GatedSettings.Envelope.FLAT,
                            new MusicalTime.Millis(between(100, 400)),
                            30,
                            2000);
            case 5 -> echo();
            case 6 ->
                    new Space.Copies(
                            List.of(
                                    new CopiesSettings.Voice(between(0.008, 0.03), 0, -1),
                                    new CopiesSettings.Voice(between(0.008, 0.03), 0, 1)),
                            100,
                            random.nextBoolean());
            default ->
                    new SplitPair(
                            new Space.Reverb(ReverbKind.ROOM, between(0.3, 0.9), 1, 0.5, 1),
                            new Space.Reverb(ReverbKind.CHAMBER, between(0.3, 0.9), 1, 0.5, 1),
                            0.8);
        };
    }

    private Space.Echo echo() {
        EchoSettings.Kind[] kinds = EchoSettings.Kind.values();
        return new Space.Echo(
                kinds[random.nextInt(kinds.length)],
                new MusicalTime.Millis(between(90, 260)),
                new MusicalTime.Millis(between(90, 260)),
                between(0, 0.4),
                new EchoSettings.Loop(60, 4000, 0, between(0, 0.3), 0.5),
                0.7);
    }

    private Design field() {
        Gate wall = new Gate("drum", Filter.OPEN, -40, 4, 120, 20, 40, 60, EIGHTH);
        Gate send = new Gate("", Filter.OPEN, -35, 4, 120, 20, 60, 60, null);
        Map<String, Send> all = Map.of("voice", Send.of(-8), "bed", Send.of(-12));
        List<Return> returns =
                List.of(
                        ret(
                                "A",
                                Chain.of(new Space.Reverb(ReverbKind.HALL, 1.0, 1, 0.5, 1))
                                        .withDrive(new Drive(6, false))
                                        .withDuck(new Duck("voice", 4, -30, 3, 6, 20, 50, 120)),
                                all),
                        ret(
                                "B",
                                Chain.of(new Space.Reverb(ReverbKind.ROOM, 0.6, 1, 0.5, 1))
                                        .withGate(wall),
                                Map.of("drum", Send.of(-6).withGate(send))),
                        ret("C", Chain.of(new Space.Convolution("pier.wav", 0, 0, 1, 1, 1)), all),
                        ret("D", Chain.of(echo()).withWidth(new Width(1.2, 150)), all)
                                .withFeeds(Map.of("C", -12.0)),
                        ret("E", Chain.of(new Space.Parallel(-40, 3, 6, 20, 120, 3)), all),
                        ret("F", Chain.of(space()), all));
        List<Section> sections =
                IntStream.rangeClosed(1, 6)
                        .mapToObj(b -> new Section("S" + b, b, 1, SectionKind.OTHER, plan()))
                        .toList();
        return new Design(
                new Song("Sequences", RATE, SongClock.constant(120, 4, 4), sections),
                List.of(
                        new Source("voice", "Voice", "v.wav", Role.LEAD, 0, 0),
                        new Source("bed", "Bed", "b.wav", Role.HARMONY_BED, -3, 0.3),
                        new Source("drum", "Drum", "d.wav", Role.HITS, 0, -0.2)),
                returns);
    }

    private SectionPlan plan() {
        SectionPlan plan = SectionPlan.NONE;
        for (String id : List.of("A", "C", "D")) {
            if (random.nextInt(3) == 0) {
                PlanCell.Edge[] edges = PlanCell.Edge.values();
                plan =
                        plan.withCell(
                                id,
                                PlanCell.PLAIN
                                        .withLevel(between(-12, 3))
                                        .withEdge(edges[random.nextInt(edges.length)])
                                        .withMuted(random.nextInt(5) == 0)
                                        .withRamp(random.nextInt(2)));
            }
        }
        return plan;
    }

    private Return any() {
        return design.returns().get(random.nextInt(design.returns().size()));
    }

    private Edit edit() {
        Return r = any();
        String id = r.id();
        return switch (random.nextInt(12)) {
            case 0 -> new ReturnEdit.Level(id, between(-20, -3));
            case 1 -> new ReturnEdit.SendLevel(id, "voice", between(-20, -3));
            case 2 -> new ReturnEdit.SendLevel(id, "bed", null);
            case 3 -> new ReturnEdit.Predelay(id, new MusicalTime.Millis(between(0, 60)), 1);
            case 4 ->
                    new ReturnEdit.FilterOut(
                            id,
                            new Filter(
                                    new Filter.Corner(between(60, 300), 2),
                                    new Filter.Corner(between(1000, 5000), 2)));
            case 5 ->
                    new ReturnEdit.Ducking(
                            id, new Duck("voice", between(0, 9), -30, 3, 6, 20, 50, 90));
            case 6 -> new ReturnEdit.Widening(id, new Width(between(0, 1.5), 100));
            case 7 -> new ReturnEdit.Spatial(id, space(), "space");
            default -> other(r);
        };
    }

    /** Another number of the same kind of space. */
    private Edit other(Return r) {
        Space space = r.space();
        return switch (space) {
            case Space.Reverb s -> new ReturnEdit.Decay(r.id(), between(0.3, DECAY));
            case Space.Convolution s ->
                    new ReturnEdit.Spatial(
                            r.id(),
                            new Space.Convolution(s.file(), 0, 0, 1, between(0.5, 1), 1),
                            "response");
            case Space.Gated s ->
                    new ReturnEdit.Spatial(
                            r.id(),
                            new Space.Gated(
                                    s.envelope(),
                                    new MusicalTime.Millis(between(100, 400)),
                                    30,
                                    2000),
                            "length");
            case Space.Echo s ->
                    new ReturnEdit.EchoTime(r.id(), new MusicalTime.Millis(between(90, 260)), 1);
            case Space.Copies s -> new ReturnEdit.Level(r.id(), between(-20, -3));
            case SplitPair s -> new ReturnEdit.Level(r.id(), between(-20, -3));
            case Space.Parallel s ->
                    new ReturnEdit.Spatial(
                            r.id(),
                            new Space.Parallel(between(-50, -30), 3, 6, 20, 120, 3),
                            "compressor");
        };
    }

    private void become(Edit edit) {
        design = edit.applyTo(design);
        hear(LiveSettings.Hearing.PLAIN);
    }

    private void hear(LiveSettings.Hearing hearing) {
        heard = LiveSettings.of(design, MATERIAL, hearing, heard);
        deck.hear(heard, MATERIAL.frames());
    }

    private void act() {
        switch (random.nextInt(11)) {
            case 0 -> deck.setPlaying(!deck.playing());
            case 1 -> deck.seek(between(0, SECONDS - 1));
            case 2 -> {
                double from = between(0, SECONDS - 2);
                deck.setLoop(new Span(from, from + between(0.02, 1)));
            }
            case 3 -> deck.setLoop(null);
            case 4 ->
                    FieldEdit.freeLetter(design)
                            .ifPresent(id ->
                                    become(
                                            new FieldEdit.Add(
                                                    ret(
                                                            id,
                                                            Chain.of(space()),
                                                            Map.of("voice", Send.of(-10))),
                                                    random.nextInt(3))));
            case 5 -> become(new FieldEdit.Remove(any().id()));
            case 6 -> {
                Design before = design;
                design = other;
                other = before;
                hear(LiveSettings.Hearing.PLAIN);
            }
            case 7 -> {
                double beat = between(0, 20);
                become(
                        design.thrown().size() > 1
                                ? ThrowsEdit.without(design, design.thrown().getFirst().id())
                                : ThrowsEdit.adding(
                                        design,
                                        Throw.of(
                                                ThrowsEdit.freshId(design),
                                                "voice",
                                                any().id(),
                                                beat,
                                                beat + 1,
                                                -4)));
            }
            case 8 -> {
                List<Section> sections = new ArrayList<>(design.song().sections());
                int s = random.nextInt(sections.size());
                sections.set(s, sections.get(s).withPlan(plan()));
                become(new SongEdit(design.song().withSections(sections), "plan"));
            }
            case 9 ->
                    hear(
                            new LiveSettings.Hearing(
                                    Map.of("voice", between(0, 1)),
                                    Map.of(any().id(), between(0, 1)),
                                    random.nextBoolean(),
                                    between(0.5, 1),
                                    null));
            default -> become(edit());
        }
        if (design.returns().isEmpty()) {
            become(new FieldEdit.Adopt(field().returns(), "again"));
        }
    }

    private void play(double seconds) {
        float[] l = new float[Deck.BLOCK_FRAMES];
        float[] r = new float[Deck.BLOCK_FRAMES];
        for (int at = 0; at < seconds * RATE; ) {
            int n = deck.make(l, r);
            float[] both = new float[2 * n];
            System.arraycopy(l, 0, both, 0, n);
            System.arraycopy(r, 0, both, n, n);
            tape.add(both);
            at += n;
        }
    }

    private float[] channel(int c) {
        int frames = tape.stream().mapToInt(b -> b.length / 2).sum();
        float[] x = new float[frames];
        int at = 0;
        for (float[] both : tape) {
            int n = both.length / 2;
            System.arraycopy(both, c * n, x, at, n);
            at += n;
        }
        return x;
    }

    /** Ends in a stretch that is left alone, and compares its last half second with the print. */
    private double differenceToPrintDb() {
        deck.setLoop(null);
        deck.setPlaying(true);
        hear(LiveSettings.Hearing.PLAIN);
        deck.seek(between(0, SECONDS - 2 * DECAY - 2));
        play(2 * DECAY + 0.8);
        int end = (int) Math.round(deck.positionSeconds() * RATE);
        Audio printed =
                new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(0))
                        .render(design, Job.QUIET)
                        .mix();
        int n = (int) (0.5 * RATE);
        double worst = 0;
        for (int c = 0; c < 2; c++) {
            float[] x = channel(c);
            for (int part = 0; part < 10; part++) {
                double sum = 0;
                for (int i = 0; i < n / 10; i++) {
                    int back = n - part * n / 10 - i;
                    sum += Math.pow(x[x.length - back] - printed.channel(c)[end - back], 2);
                }
                worst = Math.max(worst, sum / (n / 10.0));
            }
        }
        return 10 * Math.log10(worst + 1e-30);
    }

    /** What is wrong with a sequence; nothing if all is well. */
    static List<String> wrong(long seed) {
        ListeningSequence run = new ListeningSequence(seed);
        List<String> wrong = new ArrayList<>();
        run.deck.setPlaying(true);
        int acts = 8 + run.random.nextInt(12);
        for (int i = 0; i < acts; i++) {
            run.act();
            run.play(run.between(0.005, 0.35));
        }
        double difference = run.differenceToPrintDb();
        if (!(difference < -90)) {
            wrong.add("differs from the print by " + difference + " dBFS");
        }
        for (int c = 0; c < 2; c++) {
            float[] x = run.channel(c);
            for (int i = 2; i < x.length; i++) {
                double corner = Math.abs(x[i] - 2.0 * x[i - 1] + x[i - 2]);
                if (corner > CLICK || Math.abs(x[i]) > 0.8913) {
                    wrong.add("corner " + corner + ", level " + x[i] + " at " + i / RATE + " s");
                    break;
                }
            }
        }
        return wrong;
    }
}
