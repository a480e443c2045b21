package orbispace.app.desk;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.song.OwnPlace;
import orbispace.core.design.AimsEdit;
import orbispace.core.design.HearingLevel;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.OwnBorders;
import orbispace.core.ears.TakenLesson;
import orbispace.core.hearing.Borders;
import orbispace.core.render.Job;
import orbispace.files.FileProblem;
import orbispace.files.project.EarsFile;

/** Who listens and where, what their lessons found, and whether the song is judged by it. */
public final class EarKeeping {
    private final Editor editor;
    private final Jobs jobs;
    private final ObjectProperty<List<TakenLesson>> taken = new SimpleObjectProperty<>(List.of());
    private String engineer = System.getProperty("user.name", "");
    private EarPlace place = EarPlace.HEADPHONES;
    private Path file = OwnPlace.ears();
    private int begun;

    EarKeeping(Editor editor, Jobs jobs) {
        this.editor = editor;
        this.jobs = jobs;
    }

    /** Who listens. */
    public String engineer() {
        return engineer;
    }

    /** Where they listen. */
    public EarPlace place() {
        return place;
    }

    /** Says who listens; an empty name is refused. */
    public boolean listens(String name) {
        if (name.isBlank()) {
            return false;
        }
        engineer = name.strip();
        taken.set(new ArrayList<>(taken.get()));
        return true;
    }

    /** Says where one listens. */
    public void listensAt(EarPlace at) {
        place = at;
        taken.set(new ArrayList<>(taken.get()));
    }

    /** All lessons that were taken, of every engineer; read when it is asked for. */
    public ReadOnlyObjectProperty<List<TakenLesson>> taken() {
        return taken;
    }

    /** Lessons of who listens now, where they listen now. */
    public List<TakenLesson> mine() {
        return taken.get().stream()
                .filter(l -> l.engineer().equalsIgnoreCase(engineer) && l.place() == place)
                .toList();
    }

    /** Reads what is kept. */
    public void read() {
        Path from = file;
        jobs.startBeyondSong(
                "lessons read",
                "Reading your lessons",
                (job, d) -> lessons(from),
                taken::set,
                editor::failed);
    }

    private static List<TakenLesson> lessons(Path file) throws FileProblem {
        return Files.exists(file) ? EarsFile.read(file) : List.of();
    }

    /**
     * Keeps a lesson at once, and again with what takes longer to find.
     *
     * @param asking adds that
     * @param kept told when both are done
     */
    void keep(TakenLesson lesson, Asking asking, Consumer<TakenLesson> kept) {
        Path to = file;
        begun++;
        jobs.startBeyondSong(
                "lesson kept " + begun,
                "Asking the hearing model what it expects of the lesson",
                (job, d) -> {
                    change(to, all -> all.add(lesson));
                    TakenLesson whole = asking.ask(lesson, job);
                    List<TakenLesson> all = change(to, on -> on.set(on.lastIndexOf(lesson), whole));
                    return new Kept(whole, all);
                },
                done -> {
                    taken.set(done.all);
                    kept.accept(done.lesson);
                },
                e -> {
                    editor.failed(e);
                    read();
                });
    }

    /** One after another: two lessons of a walk may end while the model is still asked. */
    private static synchronized List<TakenLesson> change(Path file, Consumer<List<TakenLesson>> how)
            throws FileProblem {
        List<TakenLesson> all = new ArrayList<>(lessons(file));
        how.accept(all);
        EarsFile.write(file, all);
        return all;
    }

    private record Kept(TakenLesson lesson, List<TakenLesson> all) {}

    /** Adds what the hearing model says of a lesson. */
    @FunctionalInterface
    interface Asking {
        TakenLesson ask(TakenLesson lesson, Job job);
    }

    /** How many lessons tell of the borders of who listens now. */
    public int telling() {
        return OwnBorders.telling(taken.get(), engineer, place).size();
    }

    /** The borders of who listens now, if enough is known. */
    public Optional<Borders> borders() {
        return OwnBorders.of(taken.get(), engineer, place);
    }

    /** By which borders the song is judged. */
    public Borders used() {
        return editor.now().aims().hearing().borders();
    }

    /** Judges the song by one's own borders, if enough is known of them. */
    public void use() {
        borders().ifPresent(own -> judge(h -> h.by(own), "judged by " + own.whose()));
    }

    /** Judges the song by the model's borders again. */
    public void leave() {
        judge(h -> h.by(Borders.MODEL), "judged by the model's borders");
    }

    private void judge(UnaryOperator<HearingLevel> by, String words) {
        var aims = editor.now().aims();
        editor.edit(new AimsEdit(aims.hearing(by.apply(aims.hearing())), words));
    }

    /** Keeps what comes out in another file, which need not be there yet. */
    public void keepIn(Path other) {
        file = other;
        read();
    }
}
