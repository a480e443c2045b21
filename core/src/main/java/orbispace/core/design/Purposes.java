package orbispace.core.design;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What returns are for: as it was set, or guessed from name, engine, decay and senders. Guesses are
 * argued, not measured; a name that says it goes before what the engine suggests.
 */
public final class Purposes {
    /** A tail that is shorter sets a source down; a longer one opens behind it. */
    private static final double NEAR_SECONDS = 1.1;

    /** Copies as early as this open or thicken; later ones are heard as repeats. */
    private static final double COPY_SECONDS = 0.035;

    /** Senders that lie so close under the loudest are what a return is mainly of. */
    private static final double MAIN_WITHIN_DB = 4;

    private Purposes() {}

    /** What a return is for. */
    public static Purpose of(Design design, Return r) {
        return set(design, r).orElseGet(() -> guess(design, r));
    }

    /** What it was said to be for; empty if that is only guessed. */
    public static Optional<Purpose> set(Design design, Return r) {
        return Optional.ofNullable(design.aims().purposes().get(r.id()));
    }

    /** What it seems to be for. */
    public static Purpose guess(Design design, Return r) {
        return byName(r.name()).orElseGet(() -> byEngine(design, r));
    }

    private static Optional<Purpose> byName(String name) {
        List<String> words = List.of(name.toLowerCase(Locale.ROOT).split("[^a-z]+"));
        if (Stream.of("effect", "fx", "wash", "throw", "throws", "special")
                .anyMatch(words::contains)) {
            return Optional.of(Purpose.EFFECT);
        }
        if (Stream.of("wide", "width", "widener", "spread").anyMatch(words::contains)) {
            return Optional.of(Purpose.WIDTH);
        }
        return Stream.of("thick", "thicken", "thickening", "crush", "parallel")
                        .anyMatch(words::contains)
                ? Optional.of(Purpose.THICKENING)
                : Optional.empty();
    }

    private static Purpose byEngine(Design design, Return r) {
        boolean ofHits = isOfHits(design, r);
        return switch (r.space()) {
            case Space.Parallel p -> Purpose.THICKENING;
            case Space.Copies d -> Purpose.WIDTH;
            case Space.Echo e -> isCopy(design, r, e) ? Purpose.WIDTH : Purpose.ECHO;
            case Space.Gated g -> Purpose.DRUMS;
            case Space.Reverb v -> tail(r, v.decaySeconds(), ofHits);
            case SplitPair s ->
                    tail(r, Math.max(s.left().decaySeconds(), s.right().decaySeconds()), ofHits);
            // How long a response rings is in its file.
            case Space.Convolution c -> ofHits || r.gate() != null ? Purpose.DRUMS : Purpose.FAR;
        };
    }

    private static Purpose tail(Return r, double decaySeconds, boolean ofHits) {
        if (ofHits || r.gate() != null) {
            return Purpose.DRUMS;
        }
        return decaySeconds < NEAR_SECONDS ? Purpose.NEAR : Purpose.FAR;
    }

    /** Whether an echo comes once and so early that it is not heard as one. */
    private static boolean isCopy(Design design, Return r, Space.Echo e) {
        double seconds = e.time().seconds(design.song().clock(), r.timedAtBar());
        return seconds <= COPY_SECONDS && e.feedback() < 0.1;
    }

    private static boolean isOfHits(Design design, Return r) {
        List<Source> main = mainSenders(design, r);
        return !main.isEmpty() && main.stream().allMatch(s -> s.role() == Role.HITS);
    }

    /** What is sent most into a return, within 4 dB, in the song's order. */
    public static List<Source> mainSenders(Design design, Return r) {
        double loudest =
                r.sends().values().stream().mapToDouble(Send::levelDb).max().orElse(Double.NaN);
        return design.sources().stream()
                .filter(s -> r.sendDb(s.id()).orElse(-200) > loudest - MAIN_WITHIN_DB)
                .toList();
    }

    /**
     * By whom a return is judged: an echo, a width and a thickening by what is sent most into it, a
     * drum space by its strokes, a space by the lead, and by its senders where nothing leads or an
     * effect where nothing is sent. Empty for a design without sources.
     */
    public static Optional<Source> judge(Design design, Return r, Optional<Source> lead) {
        Optional<Source> sender = loudestSender(design, r);
        return switch (of(design, r)) {
            case NEAR, FAR, EFFECT -> lead.or(() -> sender).or(() -> first(design));
            case DRUMS, WIDTH, THICKENING, ECHO -> sender.or(() -> lead).or(() -> first(design));
        };
    }

    private static Optional<Source> first(Design design) {
        return design.sources().stream().findFirst();
    }

    /** What is sent most into a return; one that leads goes before others that are sent as much. */
    public static Optional<Source> loudestSender(Design design, Return r) {
        return design.sources().stream()
                .filter(s -> r.sends().containsKey(s.id()))
                .max(
                        Comparator.comparingDouble((Source s) -> r.sendDb(s.id()).orElse(-200))
                                .thenComparing(s -> s.role() == Role.LEAD));
    }
}
