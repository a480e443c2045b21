package orbispace.app.measuring;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Jobs;
import orbispace.app.song.Clearance;
import orbispace.app.song.KnownMixes;
import orbispace.app.song.Material;
import orbispace.app.song.MixLoudness;
import orbispace.app.song.MixMeasure;
import orbispace.app.song.ReturnPicture;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.ListeningLevel;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Setting;
import orbispace.core.measure.Loudness;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import orbispace.files.sound.SoundShelf;
import org.jspecify.annotations.Nullable;

/** What is measured of the open project, in the background, as it arrives. */
public final class Measurements {
    private final Jobs jobs;
    private final Survey survey;
    private final Consumer<String> problem;
    private final ObservableMap<String, ReturnPicture> pictures =
            FXCollections.observableMap(new LinkedHashMap<>());
    private final Map<String, ImpulseResponse.Recipe> pictured = new HashMap<>();
    private final KnownPictures known = new KnownPictures();
    private final ObjectProperty<@Nullable MixMeasure> mix = new SimpleObjectProperty<>();
    private final CoverMeasurements cover;
    private Responses responses = Responses.NONE;
    private @Nullable Renderer renderer;

    /** Measures of a song that is not open yet. */
    public Measurements(Jobs jobs, Survey survey, Consumer<String> problem) {
        this.jobs = jobs;
        this.survey = survey;
        this.problem = problem;
        cover = new CoverMeasurements(jobs, this::failed);
    }

    /** What is known of the stems. */
    public Survey survey() {
        return survey;
    }

    /** What was found in each stem, by source. */
    public Map<String, Material> materials() {
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
        return cover.clearance();
    }

    /** The renderer of the open song, if it has any sound. */
    public Optional<Renderer> renderer() {
        return Optional.ofNullable(renderer);
    }

    /** Forgets everything and takes the material of another song. */
    public void begin(SongMaterial material) {
        pictures.clear();
        pictured.clear();
        cover.begin();
        renew(material);
    }

    /** Takes other material of the same song. */
    public void renew(SongMaterial material) {
        responses = material.responses();
        mix.set(null);
        cover.renew();
        renderer =
                material.frames() == 0
                        ? null
                        : new Renderer(
                                material,
                                material.frames(),
                                StageCache.beside(material.bytes(), SoundShelf::lay));
    }

    /**
     * Measures again what a change of the design has touched: pictures first, since they are looked
     * at, then what the returns cover in the section, then the mix, then remedies. At an estimated
     * level the section is measured twice.
     *
     * @param pair what is heard against each other
     * @param barred kinds of remedies not to look for; empty to look for none at all
     * @param judged who is judged
     * @param afterSection what else is to be measured whenever the section was
     */
    public void update(
            Design design,
            ComparedPair pair,
            Span span,
            Optional<Set<Setting>> barred,
            Judged judged,
            Runnable afterSection) {
        jobs.cancel("clear");
        jobs.cancel("remedies");
        pictures.keySet().removeIf(id -> design.findReturn(id).isEmpty());
        Map<String, ImpulseResponse.Recipe> wanted = new LinkedHashMap<>();
        Design plain = design.unplanned();
        for (Return r : design.returns()) {
            ImpulseResponse.Recipe recipe = ImpulseResponse.recipe(plain, r, responses);
            if (!recipe.equals(pictured.get(r.id())) || !pictures.containsKey(r.id())) {
                wanted.put(r.id(), recipe);
            }
        }
        Runnable rest = () -> measureSound(design, pair, span, barred, judged, afterSection);
        if (wanted.isEmpty()) {
            jobs.cancel("pictures");
            rest.run();
            return;
        }
        jobs.start(
                "pictures",
                "Measuring the returns",
                (job, d) -> measurePictures(design, wanted, job),
                (done, d) -> rest.run(),
                e -> {
                    failed(e);
                    rest.run();
                });
    }

    /** Hands over each picture as it is ready. */
    private boolean measurePictures(
            Design design, Map<String, ImpulseResponse.Recipe> wanted, Job job) {
        wanted.entrySet().parallelStream()
                .forEach(e -> {
                    job.check();
                    try {
                        Return r = design.requireReturn(e.getKey());
                        ReturnPicture whole =
                                known.of(
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

    /** What was measured before is measured first where it is looked at, and then as a whole. */
    private void measureSound(
            Design design,
            ComparedPair pair,
            Span span,
            Optional<Set<Setting>> barred,
            Judged judged,
            Runnable afterSection) {
        Renderer render = renderer;
        if (render == null) {
            return;
        }
        Runnable remedies = () -> cover.measureRemedies(render, design, span, barred, judged);
        Consumer<Runnable> section =
                then ->
                        cover.measureSection(
                                render,
                                design,
                                span,
                                barred,
                                judged,
                                () -> {
                                    afterSection.run();
                                    then.run();
                                });
        Runnable mixed =
                () ->
                        measureMix(
                                render,
                                design,
                                pair,
                                span,
                                () -> section.accept(remedies),
                                remedies);
        Runnable sectionFirst = () -> section.accept(mixed);
        if (cover.isOpen(design)) {
            sectionFirst.run();
        } else {
            estimateLevel(render, design, sectionFirst);
        }
    }

    /** The level at which the mix is heard, as it was measured before or else estimated. */
    private void estimateLevel(Renderer render, Design design, Runnable then) {
        KnownMixes before = survey.mixes();
        jobs.start(
                "level",
                "Listening to the mix",
                (job, d) -> {
                    Optional<Loudness> measured = before.loudness(design);
                    OptionalDouble lufs =
                            measured.isPresent()
                                    ? measured.get().integratedLufs()
                                    : ListeningLevel.estimate(render, design, job);
                    return new Level(lufs, measured.isEmpty());
                },
                (level, d) -> {
                    if (level.estimated) {
                        cover.estimate(render, design, level.lufs);
                    } else {
                        cover.open(render, design, level.lufs);
                    }
                    then.run();
                },
                this::failed);
    }

    /** How loud the mix is. */
    private record Level(OptionalDouble lufs, boolean estimated) {}

    private void measureMix(
            Renderer render,
            Design design,
            ComparedPair pair,
            Span span,
            Runnable again,
            Runnable then) {
        Design before = pair.before().get();
        Design other = pair.after();
        KnownMixes kept = survey.mixes();
        jobs.start(
                "mix",
                "Rendering the field",
                (job, d) -> new MixLoudness(render, kept, job).of(design, before, other, span),
                (measured, d) -> {
                    mix.set(measured);
                    boolean wasEstimated =
                            cover.open(render, design, measured.after().integratedLufs());
                    (wasEstimated ? again : then).run();
                },
                this::failed);
    }

    /** The analysis of the whole song, once the first mix is measured. */
    public Optional<CoverAnalysis> analysis() {
        return cover.analysis();
    }

    /**
     * The analysis for a stretch, once the first mix is measured; to be asked for in a job, since
     * it may have to copy sound.
     */
    public Optional<Supplier<CoverAnalysis>> analysis(Design design, Span span) {
        return analysis().isEmpty()
                ? Optional.empty()
                : renderer().map(r -> () -> cover.wanted(r, design, span));
    }

    private void failed(Exception e) {
        String message = e.getMessage();
        problem.accept(message == null ? e.toString() : message.lines().findFirst().orElse(""));
    }
}
