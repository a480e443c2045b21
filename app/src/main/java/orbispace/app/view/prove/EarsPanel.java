package orbispace.app.view.prove;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.EarKeeping;
import orbispace.app.desk.ProveModel;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.Plate;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.OwnBorders;
import orbispace.core.ears.TakenLesson;
import orbispace.core.hearing.Borders;
import orbispace.core.words.Wording;

/** What was found of one's ears over the days, and whether the song is judged by it. */
final class EarsPanel extends VBox {
    private final EarKeeping keeping;
    private final HBox head = new HBox(8);
    private final Label last = new Label();
    private final Label told = new Label();
    private final EarsChart chart = new EarsChart();
    private final Button walk;
    private final Button judge = Plate.button("Judge by my ears", this::judge);
    private Subject wanted = Subject.ALL;

    /** What is looked at: one kind in one return of one song, or all. */
    private record Subject(String song, String returnName, LessonKind kind) {
        static final Subject ALL = new Subject("", "", LessonKind.LEVEL);

        static Subject of(TakenLesson l) {
            return new Subject(l.heard().song(), l.heard().returnName(), l.kind());
        }

        String words() {
            return equals(ALL)
                    ? "All, against the model"
                    : kind.label() + " of " + returnName + ", " + kind.unit();
        }
    }

    /**
     * What is known of the ears.
     *
     * @param walked told when a walk begins
     */
    EarsPanel(ProveModel model, Runnable walked) {
        super(6);
        keeping = model.ownEars().keeping();
        getStyleClass().addAll("chain-card", "resting");
        head.setAlignment(Pos.CENTER_RIGHT);
        last.getStyleClass().add("caption");
        last.setWrapText(true);
        walk =
                Plate.button(
                        "Daily walk",
                        () -> {
                            model.ownEars().lessons().walk();
                            walked.run();
                        });
        told.getStyleClass().add("caption");
        told.setWrapText(true);
        HBox.setHgrow(told, Priority.ALWAYS);
        told.setMaxWidth(Double.MAX_VALUE);
        HBox foot = new HBox(10, told, judge);
        foot.setAlignment(Pos.CENTER_LEFT);
        judge.setMinWidth(USE_PREF_SIZE);
        chart.setPrefHeight(90);
        chart.setMinHeight(40);
        VBox.setVgrow(chart, Priority.ALWAYS);
        getChildren().addAll(head, last, chart, foot);
        keeping.taken().addListener((o, was, is) -> refresh());
    }

    private void judge() {
        if (keeping.used().own()) {
            keeping.leave();
        } else {
            keeping.use();
        }
    }

    void refresh() {
        List<TakenLesson> mine = keeping.mine();
        Set<Subject> subjects = new LinkedHashSet<>();
        subjects.add(Subject.ALL);
        mine.forEach(l -> subjects.add(Subject.of(l)));
        if (!subjects.contains(wanted)) {
            wanted = Subject.ALL;
        }
        Choice<Subject> choice =
                new Choice<>(
                        "what was found",
                        new ArrayList<>(subjects),
                        Subject::words,
                        s -> {
                            wanted = s;
                            refresh();
                        });
        choice.show(wanted);
        head.getChildren().setAll(walk, choice);
        List<TakenLesson> seen =
                mine.stream()
                        .filter(l -> wanted.equals(Subject.ALL) || Subject.of(l).equals(wanted))
                        .toList();
        last.setText(seen.isEmpty() ? "" : capital(seen.getLast().words()) + ".");
        chart.show(seen, wanted.equals(Subject.ALL), keeping.borders());
        borders();
    }

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
    }

    private void borders() {
        Borders used = keeping.used();
        Optional<Borders> own = keeping.borders();
        judge.setText(used.own() ? "Back to the model's borders" : "Judge by my ears");
        judge.setDisable(!used.own() && own.isEmpty());
        told.setText(
                used.own()
                        ? "This song is judged with " + used.words() + "."
                        : own.map(b -> b.words() + ", " + b.lessons() + " lessons; not used.")
                                .map(EarsPanel::capital)
                                .orElseGet(this::lacking));
    }

    private String lacking() {
        int n = keeping.telling();
        return n < OwnBorders.LEAST_LESSONS
                ? Wording.text(
                        "Borders of your own need %d whole lessons that tell of them; %d here, by"
                                + " %s, %s.",
                        OwnBorders.LEAST_LESSONS, n, keeping.engineer(), keeping.place().label())
                : "Your lessons lie too far apart, or too far from the model, for borders.";
    }

    void setPalette(Palette palette) {
        chart.setPalette(palette);
    }
}
