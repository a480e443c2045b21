package orbispace.app.view.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import orbispace.app.song.Material;
import orbispace.core.design.Song;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.material.PrintedEcho;
import orbispace.core.material.PrintedRoom;
import orbispace.core.prove.stem.SectionDrift;
import orbispace.core.words.Wording;

/** What was measured of a stem, in words. */
final class StemReadings {
    private StemReadings() {}

    /**
     * One reading.
     *
     * @param holds the material for which it holds; empty for any
     */
    record Reading(String head, String value, String words, String holds) {
        Reading(String head, String value, String words) {
            this(head, value, words, "");
        }

        Reading holding(String material) {
            return new Reading(head, value, words, material);
        }
    }

    static List<Reading> of(Material m, Song song) {
        List<Reading> all = new ArrayList<>();
        all.add(
                new Reading(
                        "LEVEL",
                        m.integratedLufs().isPresent()
                                ? Wording.number(m.integratedLufs().getAsDouble(), 1) + " LUFS"
                                : "silent",
                        "peak "
                                + Wording.number(m.facts().peakDbfs(), 1)
                                + " dBFS, crest "
                                + Wording.number(m.facts().crestDb(), 0)
                                + " dB"));
        all.add(room(m.facts().room()).holding(PrintedRoom.HOLDS_FOR));
        m.facts().echo().ifPresent(e -> all.add(echo(e)));
        m.phrases().ifPresent(p -> phrases(p, all));
        m.hits()
                .ifPresent(h -> {
                    hits(h, m, all);
                    drift(SectionDrift.of(song, h), all);
                });
        return all;
    }

    private static void drift(List<SectionDrift> sections, List<Reading> all) {
        SectionDrift.farthest(sections)
                .ifPresent(far ->
                        all.add(
                                new Reading(
                                        "AGAINST THE GRID",
                                        Wording.signed(far.medianMillis()) + " ms",
                                        "in "
                                                + far.section().name()
                                                + ", half within "
                                                + Wording.number(far.spreadMillis(), 0)
                                                + " ms; "
                                                + Wording.signed(far.against(sections))
                                                + " against the other sections",
                                        SectionDrift.HOLDS_FOR)));
    }

    private static Reading room(PrintedRoom room) {
        return room.found()
                .map(r ->
                        new Reading(
                                "PRINTED ROOM",
                                Wording.seconds(r.decaySeconds()),
                                Wording.number(r.underDb(), 0)
                                        + " dB under the sound"
                                        + (r.sure() ? "" : "; its length is not sure")))
                .orElse(
                        room.told()
                                ? new Reading("PRINTED ROOM", "none", "no tail behind its ends")
                                : new Reading(
                                        "PRINTED ROOM",
                                        "not sure",
                                        "too few ends, or as slow as a short room"));
    }

    private static Reading echo(PrintedEcho echo) {
        return new Reading(
                "PRINTED " + echo.word().toUpperCase(Locale.ROOT),
                Wording.number(1000 * echo.seconds(), 0) + " ms",
                Wording.number(echo.underDb(), 0) + " dB under the sound",
                PrintedEcho.HOLDS_FOR);
    }

    private static String levels(Phrases.Levels l) {
        return "at "
                + Wording.number(l.speakingDb(), 0)
                + ", rests at "
                + Wording.number(l.floorDb(), 0)
                + " dBFS";
    }

    private static void phrases(Phrases p, List<Reading> all) {
        all.add(
                new Reading(
                        "PHRASES",
                        Integer.toString(p.spans().size()),
                        (p.sure() ? "" : "ends not sure, in a room; ")
                                + p.levels().map(StemReadings::levels).orElse("as given"),
                        Phrases.HOLDS_FOR));
        if (!p.gaps().isEmpty()) {
            all.add(
                    new Reading(
                            "GAPS",
                            Wording.seconds(p.gapSeconds(0.5)),
                            "half from "
                                    + Wording.number(p.gapSeconds(0.25), 2)
                                    + " to "
                                    + Wording.number(p.gapSeconds(0.75), 2)
                                    + " s"));
        }
    }

    private static String bleed(Hits h) {
        if (h.bleed().isEmpty()) {
            return h.sure() ? "no bleed found" : "not sure: of two sounds, one may be bleed";
        }
        return h.bleed().size()
                + (h.sure() ? " fainter events, bleed" : " fainter; not sure whether bleed");
    }

    private static void hits(Hits h, Material m, List<Reading> all) {
        all.add(new Reading("HITS", Integer.toString(h.hits().size()), bleed(h), Hits.HOLDS_FOR));
        m.facts()
                .gate()
                .ifPresent(g ->
                        all.add(
                                new Reading(
                                        "GATE",
                                        Wording.number(g.thresholdDb(), 1) + " dBFS",
                                        "in the middle of "
                                                + Wording.number(g.separationDb(), 1)
                                                + " dB")));
        if (h.hits().size() > 2) {
            all.add(
                    new Reading(
                            "FROM HIT TO HIT",
                            Wording.time(h.intervalSeconds(0.5)),
                            "half from "
                                    + Wording.time(h.intervalSeconds(0.25))
                                    + " to "
                                    + Wording.time(h.intervalSeconds(0.75))));
        }
    }
}
