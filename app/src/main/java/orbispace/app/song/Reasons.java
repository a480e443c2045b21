package orbispace.app.song;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.FixedTimes;
import orbispace.core.design.Return;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
import orbispace.core.material.Phrases;
import orbispace.core.time.Fit;
import orbispace.core.time.SongClock;
import orbispace.core.words.Wording;
import orbispace.files.sheet.SpaceWording;

/**
 * Why a number is what it is, or what it does: the formula in words with this song's values in it.
 */
public final class Reasons {
    private static final double CLEAR_DB = 30;
    private static final double LEAST_ERROR_MILLIS = 0.5;
    private static final int MOST_SECTIONS = 4;

    private final Design design;
    private final Optional<Return> chosen;
    private final Map<String, Material> materials;
    private final Map<String, ReturnPicture> pictures;

    /**
     * Reasons for the numbers of a return.
     *
     * @param chosen the return; empty for none, of which there is nothing to say
     * @param materials what was found in each stem, by source
     * @param pictures the measured response of each return, by letter
     */
    public Reasons(
            Design design,
            Optional<Return> chosen,
            Map<String, Material> materials,
            Map<String, ReturnPicture> pictures) {
        this.design = design;
        this.chosen = chosen;
        this.materials = materials;
        this.pictures = pictures;
    }

    /** What there is to say of the space of the chosen return. */
    public String space() {
        Optional<Return> r = chosen;
        if (r.isEmpty()) {
            return "";
        }
        return switch (r.get().space()) {
            case Space.Reverb reverb -> decay();
            case Space.Echo echo -> echo();
            case Space.Gated g -> gated(r.get(), g);
            case Space.Convolution c -> convolution(r.get(), c);
            default -> new SpaceWording(design, r.get()).whatItDoes();
        };
    }

    /** The same, and of a reverb how it begins and whether its tail moves. */
    public String spaceAndStart() {
        return space()
                + chosen.filter(r -> r.space() instanceof Space.Reverb)
                        .map(r -> start(r, (Space.Reverb) r.space()))
                        .orElse("");
    }

    private String gated(Return r, Space.Gated g) {
        SongClock clock = design.song().clock();
        double length = g.length().seconds(clock, r.timedAtBar());
        double beats = length * clock.bpmOfBar(r.timedAtBar()) / 60;
        return "The wall stands "
                + Wording.number(1000 * length, 0)
                + " ms after the hit, "
                + Wording.number(beats, 2)
                + " quarters at "
                + Wording.number(clock.bpmOfBar(r.timedAtBar()), 0)
                + " bpm; the last 40 dB take "
                + Wording.millis(g.fallMillis())
                + ".";
    }

    /** How it begins as measured, which density and build-up set, and what its movement does. */
    private String start(Return r, Space.Reverb reverb) {
        ReturnPicture picture = pictures.get(r.id());
        double sway = 1000 * reverb.character().movementSeconds();
        String moves =
                sway > 0
                        ? " Its sides sway by " + Wording.number(sway, 2) + " ms."
                        : " Its tail stands still.";
        return picture == null || picture.start().isEmpty()
                ? ""
                : " Dense as noise after "
                        + Wording.millis(1000 * picture.start().get().denseSeconds())
                        + ", loudest at "
                        + Wording.millis(1000 * picture.start().get().loudestSeconds())
                        + "."
                        + moves;
    }

    private String convolution(Return r, Space.Convolution c) {
        ReturnPicture picture = pictures.get(r.id());
        return picture == null
                ? c.file()
                : c.file() + " rings " + Wording.seconds(picture.decaySeconds()) + " as measured.";
    }

    /** What the decay of the chosen return does to the song's events. */
    public String decay() {
        Optional<Return> r = chosen;
        if (r.isEmpty() || !(r.get().space() instanceof Space.Reverb hall)) {
            return "";
        }
        double predelay = predelaySeconds(r.get());
        Optional<Double> gap = gap();
        if (gap.isEmpty()) {
            return "T60 "
                    + Wording.seconds(hall.decaySeconds())
                    + " falls 30 dB in "
                    + Wording.seconds(hall.decaySeconds() / 2)
                    + ".";
        }
        double down = -Fit.tailLevelDb(gap.get(), predelay, hall.decaySeconds());
        return "60 \u00d7 ("
                + Wording.seconds(gap.get())
                + " gap \u2212 "
                + Wording.millis(1000 * predelay)
                + ") / "
                + Wording.seconds(hall.decaySeconds())
                + " = "
                + Wording.number(down, 0)
                + " dB down when the voice returns.";
    }

    /** What the predelay of the chosen return is in musical time. */
    public String predelay() {
        Optional<Return> r = chosen;
        if (r.isEmpty()) {
            return "";
        }
        double millis = 1000 * predelaySeconds(r.get());
        return r.get().predelay().label()
                + " = "
                + Wording.number(millis, 1)
                + " ms at bar "
                + r.get().timedAtBar()
                + nearest(millis, r.get().timedAtBar())
                + ". The space speaks that long after the consonant.";
    }

    /** Where the repeats of the chosen echo end. */
    public String echo() {
        Optional<Return> r = chosen;
        if (r.isEmpty() || !(r.get().space() instanceof Space.Echo p)) {
            return "";
        }
        SongClock clock = design.song().clock();
        double spacing = p.time().seconds(clock, r.get().timedAtBar());
        double ends = Fit.repeatsEndSeconds(spacing, p.feedback(), CLEAR_DB);
        return p.time().label()
                + " = "
                + Wording.number(1000 * spacing, 1)
                + " ms at "
                + Wording.number(clock.bpmOfBar(r.get().timedAtBar()), 0)
                + " bpm"
                + ended(nearest(1000 * spacing, r.get().timedAtBar()))
                + " "
                + Fit.arrivalsAbove(p.feedback(), CLEAR_DB)
                + " arrivals to \u221230 dB end after "
                + Wording.seconds(ends)
                + ".";
    }

    /** With a full stop, which a dotted note brings along. */
    private static String ended(String words) {
        return words.endsWith(".") ? words : words + ".";
    }

    /** How far the note values of a return are off in each section; empty if nowhere. */
    public static String fixedTimes(Song song, Return r) {
        List<FixedTimes.Deviation> off =
                FixedTimes.of(song, r).stream()
                        .filter(e -> Math.abs(e.millis()) >= LEAST_ERROR_MILLIS)
                        .sorted(Comparator.comparingDouble(e -> -Math.abs(e.millis())))
                        .toList();
        if (off.isEmpty()) {
            return "";
        }
        StringBuilder text = new StringBuilder("Set for bar " + r.timedAtBar() + ", so off in: ");
        for (FixedTimes.Deviation e : off.subList(0, Math.min(MOST_SECTIONS, off.size()))) {
            text.append(e.section().name())
                    .append(FixedTimes.notes(r).size() > 1 ? " " + e.time() : "")
                    .append(e.millis() > 0 ? " +" : " ")
                    .append(Wording.number(e.millis(), 1))
                    .append(" ms (")
                    .append(Wording.number(e.sixteenths(), 2))
                    .append(" of a 1/16); ");
        }
        int more = off.size() - MOST_SECTIONS;
        return text.substring(0, text.length() - 2) + (more > 0 ? " and " + more + " more." : ".");
    }

    private String nearest(double millis, int bar) {
        if (millis < 10) {
            return "";
        }
        var near = design.song().clock().nearest(millis, bar);
        return Math.abs(near.offsetMillis()) < 0.05
                ? ""
                : ", "
                        + Wording.number(near.offsetMillis(), 1)
                        + " ms from "
                        + near.value().label();
    }

    private double predelaySeconds(Return r) {
        return r.predelay().seconds(design.song().clock(), r.timedAtBar());
    }

    private Optional<Double> gap() {
        return FieldEvents.lead(design, materials)
                .map(Phrases::gaps)
                .filter(gaps -> !gaps.isEmpty())
                .flatMap(gaps -> FieldEvents.lead(design, materials))
                .map(p -> p.gapSeconds(0.5));
    }
}
