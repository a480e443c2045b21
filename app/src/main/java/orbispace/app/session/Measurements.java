package orbispace.app.session;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.DuckCourse;
import orbispace.core.clear.PairView;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.Question;
import orbispace.core.clear.RemedyFinder;
import orbispace.core.clear.RemedyKind;
import orbispace.core.clear.ReturnCost;
import orbispace.core.clear.ShortCopy;
import orbispace.core.clear.Targets;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.Ear;
import orbispace.core.material.Phrases;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.ChainSettings;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** What is measured of the open project, in the background, as it arrives. */
public final class Measurements {
    private final Jobs jobs;
    private final Survey survey;
    private final Consumer<String> problem;
    private final ObservableMap<String, ReturnPicture> pictures =
            FXCollections.observableMap(new LinkedHashMap<>());
    private final Map<String, ChainSettings> pictured = new HashMap<>();
    private final ObjectProperty<@Nullable MixMeasure> mix = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable Clearance> clearance = new SimpleObjectProperty<>();
    private Responses responses = Responses.NONE;
    private @Nullable Renderer renderer;
    private @Nullable CoverAnalysis analysis;
    private OptionalDouble listeningLufs = OptionalDouble.empty();

    Measurements(Jobs jobs, Survey survey, Consumer<String> problem) {
        this.jobs = jobs;
        this.survey = survey;
        this.problem = problem;
    }

    /** What is known of the stems. */
    public Survey survey() {
        return survey;
    }

    /** What was found in each stem, by source. */
    public ObservableMap<String, Material> materials() {
        return survey.materials();
    }

    /** The measured response of each return, by its letter. */
    public ObservableMap<String, ReturnPicture> pictures() {
        return pictures;
    }

    /** Loudness of the mix. */
    public ReadOnlyObjectProperty<@Nullable MixMeasure> mix() {
        return mix;
    }

    /** How the lead stands against the returns. */
    public ReadOnlyObjectProperty<@Nullable Clearance> clearance() {
        return clearance;
    }

    /** The renderer of the open song, if it has any sound. */
    Optional<Renderer> renderer() {
        return Optional.ofNullable(renderer);
    }

    /** Forgets everything and takes the material of another song. */
    void begin(SongMaterial material) {
        pictures.clear();
        pictured.clear();
        listeningLufs = OptionalDouble.empty();
        renew(material);
    }

    /** Takes other material of the same song. */
    void renew(SongMaterial material) {
        responses = material.responses();
        mix.set(null);
        clearance.set(null);
        analysis = null;
        renderer =
                material.frames() == 0
                        ? null
                        : new Renderer(
                                material, material.frames(), StageCache.beside(material.bytes()));
    }

    /**
     * Measures again what a change of the design has touched: pictures first, since they are looked
     * at, then the mix, then what the returns cover.
     *
     * @param barred kinds of remedies not to look for; empty to look for none at all
     * @param clearing who is judged
     * @param afterPictures what else is to be measured when the pictures are there
     */
    void update(
            Design design,
            Design before,
            Span span,
            Optional<Set<RemedyKind>> barred,
            Clearing clearing,
            Runnable afterPictures) {
        pictures.keySet().removeIf(id -> design.findReturn(id).isEmpty());
        ChainWorks works = new ChainWorks(design, responses);
        Map<String, ChainSettings> wanted = new LinkedHashMap<>();
        for (Return r : design.returns()) {
            ChainSettings chain = works.of(r);
            if (!chain.equals(pictured.get(r.id())) || !pictures.containsKey(r.id())) {
                wanted.put(r.id(), chain);
            }
        }
        Runnable rest =
                () -> {
                    afterPictures.run();
                    measureMix(design, before, span, barred, clearing);
                };
        if (wanted.isEmpty()) {
            jobs.cancel("pictures");
            rest.run();
            return;
        }
        jobs.start(
                "pictures",
                "Measuring the returns",
                job -> measurePictures(design, wanted, job),
                done -> rest.run(),
                e -> {
                    failed(e);
                    rest.run();
                });
    }

    /** Hands over each picture as it is ready. */
    private boolean measurePictures(Design design, Map<String, ChainSettings> wanted, Job job) {
        wanted.entrySet().parallelStream()
                .forEach(e -> {
                    job.check();
                    try {
                        Return r = design.requireReturn(e.getKey());
                        ReturnPicture whole =
                                ReturnPicture.measure(
                                        design,
                                        r,
                                        responses,
                                        quick ->
                                                jobs.later(job, () -> pictures.put(r.id(), quick)));
                        jobs.later(
                                job,
                                () -> {
                                    pictured.put(r.id(), e.getValue());
                                    pictures.put(r.id(), whole);
                                });
                    } catch (IllegalArgumentException silent) {
                        jobs.later(job, () -> failed(silent));
                    }
                });
        return true;
    }

    private void measureMix(
            Design design,
            Design before,
            Span span,
            Optional<Set<RemedyKind>> barred,
            Clearing clearing) {
        Renderer render = renderer;
        if (render == null) {
            return;
        }
        jobs.start(
                "mix",
                "Rendering the field",
                job -> measureMix(render, design, before, job),
                measured -> {
                    mix.set(measured);
                    measureClearance(render, design, span, barred, clearing);
                },
                this::failed);
    }

    private static MixMeasure measureMix(Renderer renderer, Design design, Design before, Job job) {
        Loudness after = LoudnessMeter.measure(renderer.render(design, job).mix());
        job.check();
        Loudness was =
                before.equals(design)
                        ? after
                        : LoudnessMeter.measure(renderer.render(before, job).mix());
        return new MixMeasure(after, was);
    }

    /** The analysis at the listening level, once the first mix is measured. */
    Optional<CoverAnalysis> analysis() {
        return Optional.ofNullable(analysis);
    }

    private void measureClearance(
            Renderer render,
            Design design,
            Span span,
            Optional<Set<RemedyKind>> barred,
            Clearing clearing) {
        Optional<Source> judged = clearing.source();
        MixMeasure measured = mix.get();
        if (judged.isEmpty()
                || measured == null
                || !materials().containsKey(judged.get().id())
                || !design.equals(clearing.design())) {
            return;
        }
        CoverAnalysis cover = analysis;
        if (cover == null) {
            // The listening level is frozen with the first mix, so that a fader does not shift the
            // scale.
            double lufs = listeningLufs.orElse(measured.after().integratedLufs().orElse(-20));
            listeningLufs = OptionalDouble.of(lufs);
            cover = new CoverAnalysis(render, lufs, Ear.QUIET_ROOM_POWER);
            analysis = cover;
        }
        CoverAnalysis using = cover;
        Phrases phrases = clearing.phrases();
        double seconds = render.frames() / design.song().sampleRateHz();
        Map<String, Targets> asked = new HashMap<>();
        design.returns()
                .forEach(r -> clearing.targets(r.id()).ifPresent(t -> asked.put(r.id(), t)));
        jobs.start(
                "clear",
                "Measuring what the returns cover",
                job ->
                        clearance(
                                using,
                                new Question(design, judged.get(), "", phrases, span, false),
                                seconds,
                                barred,
                                asked,
                                job),
                clearance::set,
                this::failed);
    }

    private static Clearance clearance(
            CoverAnalysis cover,
            Question q,
            double songSeconds,
            Optional<Set<RemedyKind>> barred,
            Map<String, Targets> asked,
            Job job) {
        Design design = q.design();
        Map<String, PairView> pairs = new LinkedHashMap<>();
        Map<String, List<Proposal>> proposals = new LinkedHashMap<>();
        int parts = design.returns().size() * (barred.isPresent() ? 2 : 1);
        for (Return r : design.returns()) {
            pairs.put(
                    r.id(), cover.pair(design, q.source(), r, q.phrases().spans(), q.span(), job));
            job.report(pairs.size() / (double) parts);
        }
        Map<String, DuckCourse> ducks = new LinkedHashMap<>();
        design.returns()
                .forEach(r ->
                        DuckCourse.of(cover, q.about(r.id()))
                                .ifPresent(course -> ducks.put(r.id(), course)));
        Map<String, ShortCopy> copies = new LinkedHashMap<>();
        design.returns()
                .forEach(r ->
                        cover.shortCopy(design, q.source(), r)
                                .ifPresent(copy -> copies.put(r.id(), copy)));
        List<Double> bars = List.of();
        List<ReturnCost> costs = List.of();
        if (barred.isPresent()) {
            bars = cover.presencePerBar(design, q.source(), q.phrases().spans(), songSeconds, job);
            costs = cover.costs(design, job);
        }
        for (Return r : barred.isPresent() ? design.returns() : List.<Return>of()) {
            RemedyFinder finder =
                    new RemedyFinder(
                            cover,
                            asked.getOrDefault(r.id(), Targets.LEAD),
                            barred.orElse(Set.of()));
            proposals.put(r.id(), finder.propose(q.about(r.id()), job));
            job.report((pairs.size() + proposals.size()) / (double) parts);
        }
        return new Clearance(
                design, q.source(), q.span(), pairs, proposals, bars, costs, copies, ducks);
    }

    private void failed(Exception e) {
        String message = e.getMessage();
        problem.accept(message == null ? e.toString() : message.lines().findFirst().orElse(""));
    }
}
