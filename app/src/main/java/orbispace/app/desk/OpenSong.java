package orbispace.app.desk;

import java.time.Clock;
import java.util.concurrent.Executor;
import orbispace.app.listen.Ears;
import orbispace.app.listen.KeptSets;
import orbispace.app.listen.OutputChoice;
import orbispace.app.listen.Transport;
import orbispace.app.measuring.Measurements;
import orbispace.app.measuring.Survey;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.KeptProject;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.RecentProjects;
import orbispace.app.session.Selection;
import orbispace.app.session.SongStems;
import orbispace.app.session.Stretch;
import orbispace.files.project.FactsCache;

/** The open song with what is measured of it and what plays it, which every other part needs. */
final class OpenSong {
    private final Editor editor = new Editor();
    private final SongStems stems = new SongStems();
    private final Transport transport = new Transport();
    private final Selection selection = new Selection();
    private final Stretch stretch = new Stretch(editor, selection, stems::seconds);
    private final KeptProject kept;
    private final Jobs jobs;
    private final Measurements measured;
    private final Ears ears;
    private final KeptSets sets;
    private final ComparedPair pair;
    private final LogKeeping log;

    OpenSong(
            Executor interfaceThread,
            RecentProjects recent,
            FactsCache facts,
            Runnable pairChanged,
            Runnable measure) {
        kept =
                new KeptProject(
                        editor.now(),
                        recent,
                        e ->
                                interfaceThread.execute(() ->
                                        editor.problem()
                                                .set("Changes are not kept: " + e.getMessage())));
        jobs = new Jobs(interfaceThread, editor);
        Survey survey = new Survey(jobs, facts, editor.problem()::set);
        measured = new Measurements(jobs, survey, editor.problem()::set);
        ears = new Ears(transport, measured.mix(), recent, Clock.systemUTC());
        sets = new KeptSets(transport, recent, kept.file());
        recall(recent);
        pair = new ComparedPair(editor, pairChanged, measure);
        log =
                new LogKeeping(
                        editor, jobs, kept, pair, measured.mix(), ears::judged, Clock.systemUTC());
    }

    /** The sound goes where it went the last time. */
    private void recall(RecentProjects recent) {
        String[] was = recent.recall("output").split("\n", -1);
        if (was.length >= 2 && was[1].matches("[0-9]{3,5}")) {
            boolean rated = was.length == 3 && was[2].matches("[0-9]{1,6}");
            transport
                    .output()
                    .set(
                            new OutputChoice(
                                    was[0],
                                    Integer.parseInt(was[1]),
                                    rated ? Integer.parseInt(was[2]) : 0));
        }
        transport
                .output()
                .addListener((o, before, is) ->
                        recent.remember(
                                "output", is.device() + "\n" + is.frames() + "\n" + is.rateHz()));
    }

    Editor editor() {
        return editor;
    }

    SongStems stems() {
        return stems;
    }

    Transport transport() {
        return transport;
    }

    Selection selection() {
        return selection;
    }

    Stretch stretch() {
        return stretch;
    }

    KeptProject kept() {
        return kept;
    }

    Jobs jobs() {
        return jobs;
    }

    Measurements measured() {
        return measured;
    }

    Ears ears() {
        return ears;
    }

    KeptSets sets() {
        return sets;
    }

    ComparedPair pair() {
        return pair;
    }

    LogKeeping log() {
        return log;
    }
}
