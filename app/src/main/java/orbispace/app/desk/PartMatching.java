package orbispace.app.desk;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.Stretch;
import orbispace.core.audio.Decibels;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.PartMatch;
import orbispace.core.design.Design;
import orbispace.core.design.Group;
import orbispace.core.design.Groups;
import orbispace.core.design.Source;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** By what before and after are matched: the whole mix, or one source or group with its returns. */
public final class PartMatching implements OfSong {
    private static final String NOT = "not matched";

    private final Jobs jobs;
    private final ComparedPair pair;
    private final Stretch stretch;
    private final Measurements measured;
    private final StringProperty part = new SimpleStringProperty("");
    private final ObjectProperty<PartMatch.@Nullable Gains> gains = new SimpleObjectProperty<>();

    PartMatching(OpenSong song) {
        jobs = song.jobs();
        pair = song.pair();
        stretch = song.stretch();
        measured = song.measured();
        measured.mix().addListener((o, was, is) -> measure());
        part.addListener((o, was, is) -> measure());
    }

    /** Id of the source, or name of the group, by which the pair is matched; empty for the mix. */
    public StringProperty part() {
        return part;
    }

    /** How far it is turned down on either side; null while that is not known, or for the mix. */
    public ReadOnlyObjectProperty<PartMatch.@Nullable Gains> gains() {
        return gains;
    }

    @Override
    public void begin(Design given) {
        part.set("");
        gains.set(null);
    }

    /** What the pair can be matched by: groups, then sources, by what they are called. */
    public static Map<String, String> choices(Design design) {
        Map<String, String> choices = new LinkedHashMap<>();
        Groups.of(design).all().stream().map(Group::name).forEach(n -> choices.put(n, n));
        design.sources().forEach(s -> choices.put(s.id(), s.name()));
        return choices;
    }

    /** Ids of the sources that a choice stands for; none if it is gone. */
    static Set<String> ids(Design design, String part) {
        Optional<Source> one = design.findSource(part);
        List<Source> sources =
                one.isPresent()
                        ? List.of(one.get())
                        : Groups.of(design).find(part).isPresent()
                                ? Groups.of(design).members(part)
                                : List.of();
        return sources.stream().map(Source::id).collect(Collectors.toUnmodifiableSet());
    }

    private void measure() {
        jobs.cancel("part");
        Design after = pair.after();
        Set<String> ids = ids(after, part.get());
        Span span = stretch.span();
        Optional<Supplier<CoverAnalysis>> analysis = measured.analysis(after, span);
        if (ids.isEmpty() || analysis.isEmpty()) {
            gains.set(null);
            return;
        }
        Design before = pair.before().get();
        jobs.start(
                "part",
                "Matching the part",
                (job, now) ->
                        PartMatch.between(analysis.get().get(), before, after, ids, span, job),
                (found, now) -> gains.set(found));
    }

    /** Factors on the sources of the part as one side is heard; empty if the mix is matched. */
    Optional<Map<String, Double>> factors(boolean before) {
        PartMatch.Gains known = gains.get();
        if (known == null) {
            return Optional.empty();
        }
        double factor = Decibels.toAmplitude(before ? known.beforeDb() : known.afterDb());
        Map<String, Double> factors = new HashMap<>();
        ids(pair.after(), part.get()).forEach(id -> factors.put(id, factor));
        return Optional.of(factors);
    }

    /** What the part is called by which the pair is matched now; empty for the mix. */
    public Optional<String> name() {
        return gains.get() == null
                ? Optional.empty()
                : Optional.of(choices(pair.after()).getOrDefault(part.get(), part.get()));
    }

    /** By what it is matched, or why it is not, in a sentence. */
    public String sentence() {
        PartMatch.Gains known = gains.get();
        String what = name().orElse("the whole mix");
        return known == null || known.reached()
                ? "Before and after as loud: " + what + " over the section"
                : what + " is silent in this section, or no gain makes it as loud: " + NOT;
    }

    /** By how much it is turned down on one side, or that no gain makes it as loud. */
    public String words(boolean before) {
        PartMatch.Gains known = gains.get();
        if (known == null || !known.reached()) {
            return NOT;
        }
        return Wording.signed(before ? known.beforeDb() : known.afterDb()) + " dB";
    }
}
