package orbispace.app.song;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.material.HitFinder;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Silhouette;
import orbispace.core.plan.BoundaryClash;
import orbispace.core.plan.Hold;
import orbispace.core.plan.PlanTemplate;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.ThrowIdea;
import orbispace.core.plan.Words;
import orbispace.core.render.Job;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.Span;

/** The plan of a whole song, rendered and measured without a window. */
public final class PlanSong {
    private final Design design;
    private final SongMaterial material;
    private final CoverAnalysis analysis;
    private final Map<String, Words> words = new HashMap<>();

    /** What can be laid over a song. */
    public enum Laid {
        /** Long spaces come up for the chorus. */
        OPEN_UP("open-up"),
        /** Long spaces step back for the chorus. */
        CLOSE_IN("close-in"),
        /** Every return as audible in all sections. */
        HOLD("hold"),
        /** Nothing differs. */
        NONE("none");

        private final String label;

        Laid(String label) {
            this.label = label;
        }

        /** Its name on the command line. */
        public String label() {
            return label;
        }
    }

    /** Renders a song as it is without its plan, and hears it at the listening level. */
    public PlanSong(Design design, SongMaterial material, Job job) {
        this.design = design;
        this.material = material;
        analysis = ClearSong.heard(design, material, job);
        for (Source s : design.sources()) {
            Audio audio = material.audio().get(s.id());
            if (audio != null) {
                words.put(s.id(), words(s, audio));
            }
        }
    }

    private Words words(Source s, Audio audio) {
        Words found =
                s.role() == Role.HITS
                        ? Words.of(HitFinder.find(audio))
                        : Words.of(PhraseFinder.find(audio), Silhouette.of(audio));
        return found.phrases().isEmpty() ? Words.of(design.song().clock(), seconds()) : found;
    }

    private double seconds() {
        return material.frames() / material.sampleRateHz();
    }

    /** The design with a plan laid over it. */
    public Design laid(Laid what, Job job) {
        return switch (what) {
            case OPEN_UP -> design.withSong(PlanTemplate.OPEN_UP.applyTo(design, hidden(job)));
            case CLOSE_IN -> design.withSong(PlanTemplate.CLOSE_IN.applyTo(design, hidden(job)));
            case HOLD -> design.withSong(Hold.of(analysis, design, job));
            case NONE -> design.withSong(design.unplanned().song());
        };
    }

    /** Returns that no section hears. */
    private Set<String> hidden(Job job) {
        Design plain = design.unplanned();
        return Hold.hidden(Hold.states(analysis, plain, shares(plain, job), job));
    }

    /** Wet share of each return in each section. */
    public Map<String, List<Double>> shares(Design of, Job job) {
        return of.sources().isEmpty() ? Map.of() : Hold.shares(analysis, of, job);
    }

    /** Loudness of all that is dry in each section, in sones. */
    public List<Double> density() {
        return Hold.density(analysis, design);
    }

    /** Tails of a design that cover what the first lead sings in a drier section. */
    public List<BoundaryClash> clashes(Design of, Job job) {
        Optional<Source> lead = Leads.main(of);
        return lead.isEmpty()
                ? List.of()
                : BoundaryClash.of(analysis, of, lead.get(), words(lead.get()).phrases(), job);
    }

    private Words words(Source s) {
        return words.getOrDefault(s.id(), Words.NONE);
    }

    /** What is to be said of the throws. */
    public List<ThrowConflict> conflicts() {
        return ThrowConflict.of(design, material.responses(), words, seconds());
    }

    /** Words of the first lead that could be thrown. */
    public List<ThrowIdea> ideas() {
        return Leads.main(design)
                .map(s -> ThrowIdea.of(words(s), seconds(), gap -> restPower(s, gap)))
                .orElse(List.of());
    }

    private double restPower(Source but, Span span) {
        double rate = material.sampleRateHz();
        double sum = 0;
        for (Source s : design.sources()) {
            Audio audio = material.audio().get(s.id());
            if (audio != null && !s.id().equals(but.id())) {
                int from = Math.clamp((long) (span.startSeconds() * rate), 0, audio.frames());
                int to = Math.clamp((long) (span.endSeconds() * rate), from, audio.frames());
                sum +=
                        audio.slice(from, to).meanSquare()
                                * orbispace.core.audio.Decibels.toPower(s.gainDb());
            }
        }
        return sum;
    }
}
