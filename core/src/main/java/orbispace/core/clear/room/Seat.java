package orbispace.core.clear.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.intake.StemName;

/**
 * What is put somewhere as one: a source, or two that are a pair.
 *
 * @param sources as they stand, one or two
 * @param choices where they may be put, each a list as long; the first is as they stand
 */
record Seat(List<Source> sources, List<List<Source>> choices) {
    private static final double[] APART = {0, 0.1, 0.2, 0.25, 0.3, 0.35, 0.4, 0.5, 0.6, 0.7};
    private static final double[] OPENED = {0.3, 0.5, 0.7, 0.85, 1};
    private static final double[] LEANS = {-0.4, -0.2, 0, 0.2, 0.4};
    private static final double[] NARROWED = {1, 0.75, 0.5};

    /** Within so much of it a source stands in the middle and may go to either side. */
    private static final double MIDDLE = 0.1;

    /** What lies lower by so much of its power belongs into the middle. */
    private static final double LOW_SHARE = 0.5;

    Seat {
        sources = List.copyOf(sources);
        choices = List.copyOf(choices);
    }

    /** Whether it may be put anywhere else. */
    boolean isFree() {
        return choices.size() > 1;
    }

    /** What it is called. */
    String name() {
        return String.join(" and ", sources.stream().map(Source::name).toList());
    }

    /** All seats of a song but those of the part that is to come through. */
    static List<Seat> of(Design design, List<Source> out, Map<String, SourceSound> sounds) {
        Set<String> held = new TreeSet<>();
        Leads.all(design).forEach(l -> design.layersOf(l.source()).forEach(s -> held.add(s.id())));
        List<Seat> seats = new ArrayList<>();
        List<Source> open = new ArrayList<>(design.sources());
        open.removeAll(out);
        while (!open.isEmpty()) {
            Source s = open.removeFirst();
            SourceSound sound = sounds.get(s.id());
            if (sound == null) {
                continue;
            }
            boolean free = !held.contains(s.id()) && mayMove(s, sound);
            Optional<Source> twin =
                    free
                            ? open.stream()
                                    .filter(o -> arePair(s, o, sounds) && !held.contains(o.id()))
                                    .findFirst()
                            : Optional.empty();
            if (twin.isPresent()) {
                open.remove(twin.get());
                seats.add(pair(s, twin.get()));
            } else {
                seats.add(new Seat(List.of(s), free ? places(s, sound) : List.of(List.of(s))));
            }
        }
        return seats;
    }

    /** Low lines, kits, rooms and prints stay where they are. */
    private static boolean mayMove(Source s, SourceSound sound) {
        return s.role() != Role.BASS
                && s.kind().isSent()
                && !StemName.of(s.name()).isOfAKit()
                && sound.powers(s).lowShare() < LOW_SHARE;
    }

    /** Two takes of one part, one channel each, which their names tell. */
    private static boolean arePair(Source a, Source b, Map<String, SourceSound> sounds) {
        SourceSound other = sounds.get(b.id());
        SourceSound one = sounds.get(a.id());
        return one != null
                && other != null
                && one.isMono()
                && other.isMono()
                && a.role() == b.role()
                && mayMove(b, other)
                && part(a).equals(part(b));
    }

    private static String part(Source s) {
        return StemName.of(s.name()).withoutSide().replaceAll("[0-9]+", "").strip();
    }

    private static Seat pair(Source a, Source b) {
        boolean swapped =
                a.pan() != b.pan()
                        ? a.pan() > b.pan()
                        : StemName.of(a.name()).side().equals(Optional.of(StemName.Side.RIGHT));
        double side = swapped ? 1 : -1;
        List<List<Source>> choices = new ArrayList<>();
        choices.add(List.of(a, b));
        for (double pan : OPENED) {
            choices.add(List.of(a.withPan(side * pan), b.withPan(-side * pan)));
        }
        return new Seat(List.of(a, b), choices);
    }

    private static List<List<Source>> places(Source s, SourceSound sound) {
        List<List<Source>> places = new ArrayList<>();
        places.add(List.of(s));
        if (sound.isMono()) {
            for (double pan : APART) {
                if (s.pan() > -MIDDLE) {
                    places.add(List.of(s.withPan(pan)));
                }
                if (s.pan() < MIDDLE && (pan != 0 || s.pan() <= -MIDDLE)) {
                    places.add(List.of(s.withPan(pan == 0 ? 0 : -pan)));
                }
            }
            return places;
        }
        double width = s.tone().width();
        for (double lean : LEANS) {
            for (double narrow : NARROWED) {
                boolean same = lean == 0 && narrow == 1;
                if (!same && (width > 0 || narrow == 1)) {
                    Source as = s.withTone(s.tone().withWidth(width * narrow));
                    places.add(List.of(as.withPan(lean)));
                }
            }
        }
        return places;
    }
}
