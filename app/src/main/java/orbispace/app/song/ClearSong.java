package orbispace.app.song;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.Question;
import orbispace.core.clear.RemedyFinder;
import orbispace.core.clear.Solution;
import orbispace.core.clear.Solver;
import orbispace.core.clear.room.DryRoom;
import orbispace.core.clear.room.RoomPlan;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Setting;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Phrases;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.measure.Widening;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import orbispace.files.sound.SoundShelf;

/** A whole song measured for what its returns cover, and cleared. */
public final class ClearSong {
    private static final double QUIET_LUFS = -20;

    private final Design design;
    private final Span span;
    private final Set<Setting> barred;
    private final CoverAnalysis analysis;
    private final Map<String, Phrases> phrases = new HashMap<>();

    /** One source against one return. */
    public record Pair(String source, String returnId, Cover cover, Widening opens) {
        /** How much the return is noticed, by its loudness or by its width. */
        public WetState state() {
            return cover.state().or(opens.state());
        }
    }

    /**
     * Renders a song and hears it at the listening level.
     *
     * @param section the stretch; empty for all of it
     * @param barred remedies not to propose
     */
    public ClearSong(
            Design design,
            SongMaterial material,
            Optional<Span> section,
            Set<Setting> barred,
            Job job) {
        this.design = design;
        this.barred = Set.copyOf(barred);
        span = section.orElse(new Span(0, material.frames() / material.sampleRateHz()));
        analysis = heard(design, material, job);
        for (Source s : design.sources()) {
            Audio audio = material.audio().get(s.id());
            if (audio != null && s.role() != Role.HITS) {
                phrases.put(s.id(), PhraseFinder.find(audio));
            }
        }
    }

    /** The analysis of a song heard at its listening level. */
    static CoverAnalysis heard(Design design, SongMaterial material, Job job) {
        return heard(
                design,
                new Renderer(
                        material,
                        material.frames(),
                        StageCache.beside(material.bytes(), SoundShelf::lay)),
                job);
    }

    /** The same of the song without its returns, whose levels are about to be found. */
    public static CoverAnalysis heardDry(Design design, Renderer renderer, Job job) {
        return heard(design.withReturns(List.of()), renderer, job);
    }

    /** The same with a renderer that is at hand. */
    static CoverAnalysis heard(Design design, Renderer renderer, Job job) {
        double lufs =
                LoudnessMeter.measure(renderer.render(design, job).mix())
                        .integratedLufs()
                        .orElse(QUIET_LUFS);
        return new CoverAnalysis(renderer, lufs, design.aims().hearing());
    }

    /** Every source against every return. */
    public List<Pair> pairs(Job job) {
        List<Pair> pairs = new ArrayList<>();
        Map<String, Widening> opens = new HashMap<>();
        design.returns().forEach(r -> opens.put(r.id(), analysis.opens(design, r, span, job)));
        for (Source s : design.sources()) {
            for (Return r : design.returns()) {
                Cover cover = analysis.pair(design, s, r, found(s).spans(), span, job).cover();
                pairs.add(
                        new Pair(s.id(), r.id(), cover, Objects.requireNonNull(opens.get(r.id()))));
            }
        }
        return pairs;
    }

    private Phrases found(Source s) {
        return phrases.getOrDefault(s.id(), Phrases.NONE);
    }

    private Question question(Source s, String returnId) {
        return new Question(design, s, returnId, found(s), span, false);
    }

    /** What would clear the leads of each return, best bargains first. */
    public List<Proposal> proposals(Job job) {
        List<Proposal> proposals = new ArrayList<>();
        for (Source s : leading()) {
            for (Return r : design.returns()) {
                RemedyFinder finder =
                        new RemedyFinder(analysis, Targets.asked(design, s, r), barred);
                Question q = question(s, r.id());
                finder.propose(q, job).forEach(p -> proposals.add(finder.told(q, p, job)));
            }
        }
        return proposals;
    }

    /** Who leads this stretch, and whoever has the role to. */
    private List<Source> leading() {
        return Stream.concat(Leads.at(design, span).stream(), design.sourcesOf(Role.LEAD).stream())
                .distinct()
                .toList();
    }

    /** What makes room between dry sources for who leads; empty if nothing does. */
    public Optional<RoomPlan> room(Job job) {
        return Leads.at(design, span).map(s -> DryRoom.find(analysis, question(s, ""), job));
    }

    /** The field in which the first lead is clear; empty without a lead or a return. */
    public Optional<Solution> solve(Job job) {
        Optional<Source> lead = Leads.at(design, span);
        if (lead.isEmpty() || design.returns().isEmpty()) {
            return Optional.empty();
        }
        Solver solver = new Solver(new RemedyFinder(analysis, Targets.LEAD, barred));
        return Optional.of(
                solver.solveField(question(lead.get(), design.returns().getFirst().id()), job));
    }

    /** A design as it must be written into another folder, so that its stems are found. */
    public static Design movedTo(Design design, Path from, Path to) {
        return Relocation.moved(design, from, to);
    }
}
