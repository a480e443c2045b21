package orbispace.app.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.measuring.Survey;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.app.session.Stretch;
import orbispace.app.song.FormItem;
import orbispace.core.design.Design;
import orbispace.core.design.Form;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.design.SongEdit;
import orbispace.core.design.Source;
import orbispace.core.material.BarOneFinder;
import orbispace.core.material.Hits;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import org.jspecify.annotations.Nullable;

/** Changes of the open song's sections, tempo, metre and bar 1, as one moves and types them. */
public final class FormEditing implements OfSong {
    private static final double WORTH_SECONDS = 0.003;
    private static final double WORTH_AGREEMENT = 0.03;
    private static final double LEAST_AGREEMENT = 0.3;

    private final Editor editor;
    private final Selection selection;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Survey survey;
    private final ObjectProperty<BarOneFinder.@Nullable BarOne> proposal =
            new SimpleObjectProperty<>();

    /** Edits the form of a song. */
    public FormEditing(
            Editor editor, Selection selection, Stretch stretch, Jobs jobs, Survey survey) {
        this.editor = editor;
        this.selection = selection;
        this.stretch = stretch;
        this.jobs = jobs;
        this.survey = survey;
    }

    @Override
    public void begin(Design given) {
        proposal.set(null);
    }

    /** Where bar 1 should begin by the hits, if that is clearly elsewhere; null else. */
    public ReadOnlyObjectProperty<BarOneFinder.@Nullable BarOne> proposal() {
        return proposal;
    }

    private Song song() {
        return editor.now().song();
    }

    /** Makes a change that is one step; a change that makes no song is told in words. */
    public boolean change(String words, UnaryOperator<Song> change) {
        return attempt(words, change, null);
    }

    /** Makes a change that belongs to a gesture which began with a song. */
    public boolean drag(String words, Song began, UnaryOperator<Song> change, Object gesture) {
        return attempt(words, song -> change.apply(began), gesture);
    }

    private boolean attempt(String words, UnaryOperator<Song> change, @Nullable Object gesture) {
        Section chosen = selection.section().get();
        int index = chosen == null ? -1 : song().sections().indexOf(chosen);
        try {
            SongEdit edit = new SongEdit(change.apply(song()), words);
            boolean taken = editor.change(edit, gesture);
            if (taken && index >= 0) {
                List<Section> now = song().sections();
                selection
                        .section()
                        .set(now.isEmpty() ? null : now.get(Math.min(index, now.size() - 1)));
            }
            return taken;
        } catch (IllegalArgumentException e) {
            editor.problem().set(String.valueOf(e.getMessage()));
            return false;
        }
    }

    /** Every edge and tempo change in order of time. */
    public static List<FormItem> items(Song song) {
        record At(FormItem item, double seconds) {}
        List<At> all = new ArrayList<>();
        SongClock clock = song.clock();
        for (int i = 0; i < song.sections().size(); i++) {
            all.add(
                    new At(
                            new FormItem.Edge(i),
                            clock.secondsOfBar(song.sections().get(i).firstBar())));
        }
        if (!song.sections().isEmpty()) {
            all.add(
                    new At(
                            new FormItem.Edge(song.sections().size()),
                            clock.secondsOfBar(song.sections().getLast().endBar())));
        }
        for (TempoMap.Change c : clock.tempo().changes()) {
            all.add(new At(new FormItem.Tempo(c.beat()), clock.secondsAt(c.beat())));
        }
        return all.stream()
                .sorted(java.util.Comparator.comparingDouble(At::seconds))
                .map(At::item)
                .toList();
    }

    /** The bar that an edge lies before. */
    public static int barOf(Song song, FormItem.Edge edge) {
        return edge.index() < song.sections().size()
                ? song.sections().get(edge.index()).firstBar()
                : song.sections().getLast().endBar();
    }

    /** The tempo change at a beat, if it is there. */
    public static Optional<TempoMap.Change> tempoOf(Song song, FormItem.Tempo item) {
        return song.clock().tempo().changes().stream()
                .filter(c -> c.beat() == item.beat())
                .findFirst();
    }

    /** Moves an edge by bars, or a tempo by quarters per minute, as one key does. */
    public void step(FormItem item, double amount) {
        switch (item) {
            case FormItem.Edge edge ->
                    change(
                            "edge of sections",
                            s ->
                                    Form.edge(
                                            s,
                                            edge.index(),
                                            barOf(s, edge)
                                                    + (int) Math.signum(amount)
                                                            * (int) Math.max(1, Math.abs(amount))));
            case FormItem.Tempo tempo ->
                    tempoOf(song(), tempo)
                            .ifPresent(c ->
                                    change(
                                            "tempo",
                                            s -> Form.tempo(s, c.beat(), c.bpm() + amount)));
        }
    }

    /** Takes an edge away by joining its sections, or a tempo change. */
    public void remove(FormItem item) {
        switch (item) {
            case FormItem.Edge edge -> {
                if (edge.index() > 0 && edge.index() < song().sections().size()) {
                    change("join of sections", s -> Form.join(s, edge.index() - 1));
                }
            }
            case FormItem.Tempo tempo -> change("tempo", s -> Form.withoutTempo(s, tempo.beat()));
        }
    }

    /** Cuts the section at a time in two, before the nearest bar; lays one out if there is none. */
    public void splitAt(double seconds) {
        SongClock clock = song().clock();
        int bar = nearestBar(seconds);
        List<Section> sections = song().sections();
        for (int i = 0; i < sections.size(); i++) {
            if (bar > sections.get(i).firstBar() && bar < sections.get(i).endBar()) {
                int index = i;
                change("split of " + sections.get(i).name(), s -> Form.split(s, index, bar));
                return;
            }
        }
        int last = Math.max(2, clock.barAtSeconds(stretch.songSeconds()) + 1);
        if (sections.isEmpty()) {
            change(
                    "sections",
                    s ->
                            s.withSections(
                                    List.of(new Section("Song", 1, last - 1, SectionKind.OTHER))));
        } else if (bar >= sections.getLast().endBar() && last > sections.getLast().endBar()) {
            int from = sections.getLast().endBar();
            change(
                    "sections",
                    s ->
                            s.withSections(
                                    Stream.concat(
                                                    s.sections().stream(),
                                                    Stream.of(
                                                            new Section(
                                                                    "New",
                                                                    from,
                                                                    last - from,
                                                                    SectionKind.OTHER)))
                                            .toList()));
        } else {
            editor.problem().set("There is an edge before bar " + bar + " already.");
        }
    }

    /** The bar whose beginning is nearest to a time. */
    public int nearestBar(double seconds) {
        SongClock clock = song().clock();
        int bar = clock.barAtSeconds(seconds);
        return seconds - clock.secondsOfBar(bar) < clock.secondsOfBar(bar + 1) - seconds
                ? bar
                : bar + 1;
    }

    /** Adds a tempo change at the bar nearest to a time, at the tempo that is there. */
    public FormItem.Tempo tempoAt(double seconds) {
        double beat = song().clock().metre().beatOfBar(nearestBar(seconds));
        change("tempo", s -> Form.tempo(s, beat, s.clock().tempo().bpmAt(beat)));
        return new FormItem.Tempo(beat);
    }

    /** Lets the tempo glide to another over the last bars of a section. */
    public void glide(Section section, int bars, double bpm) {
        int from = Math.max(section.firstBar(), section.endBar() - bars);
        change(
                "ritardando",
                s ->
                        Form.glide(
                                s,
                                s.clock().metre().beatOfBar(from),
                                s.clock().metre().beatOfBar(section.endBar()),
                                bpm));
    }

    /** Looks in the background where bar 1 should begin by what was found of the hits. */
    public void proposeBarOne() {
        List<Hits.Hit> hits =
                editor.now().sourcesOf(Role.HITS).stream()
                        .map(Source::id)
                        .map(survey.materials()::get)
                        .filter(java.util.Objects::nonNull)
                        .flatMap(m -> m.hits().stream())
                        .flatMap(h -> h.hits().stream())
                        .limit(2000)
                        .toList();
        SongClock clock = song().clock();
        jobs.start(
                "bar one",
                "Looking for bar 1",
                (job, d) -> BarOneFinder.find(hits, clock),
                (found, d) -> proposal.set(found.filter(p -> worthwhile(p, clock)).orElse(null)));
    }

    private static boolean worthwhile(BarOneFinder.BarOne p, SongClock clock) {
        return p.fittingBpm().isPresent()
                || (Math.abs(p.originSeconds() - clock.originSeconds()) > WORTH_SECONDS
                        && p.agreement() > LEAST_AGREEMENT
                        && p.agreement() - p.before() > WORTH_AGREEMENT);
    }
}
