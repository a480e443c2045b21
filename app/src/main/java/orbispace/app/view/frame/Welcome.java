package orbispace.app.view.frame;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.view.control.Plate;
import orbispace.files.project.ProjectFile;

/** What to do while no song is open, and the buttons that do it. */
public final class Welcome extends VBox {
    private static final int MOST = 5;

    private final FileMenu files;
    private final VBox recent = new VBox(6);

    /** A card over an empty window. */
    public Welcome(FileMenu files) {
        Plate.clip(this);
        getStyleClass().add("welcome");
        Label title = new Label("No song is open");
        title.getStyleClass().add("inspector-title");
        Label words =
                new Label(
                        "Bring the dry stems of a song, open a project, or look around in the demo"
                                + " song.");
        words.setWrapText(true);
        Button stems = Plate.button("Bring stems\u2026", files::newFromStems);
        stems.getStyleClass().add("strong");
        HBox buttons =
                new HBox(
                        8,
                        stems,
                        Plate.button("Open\u2026", files::open),
                        Plate.button("Demo song", files::openDemo));
        buttons.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(title, words, buttons, recent);
        setMaxSize(420, Region.USE_PREF_SIZE);
        this.files = files;
        recent.setAlignment(Pos.CENTER_LEFT);
        visibleProperty().addListener((o, was, is) -> showRecent());
        showRecent();
    }

    /** The songs that were open last, each one press away. */
    private void showRecent() {
        recent.getChildren().clear();
        List<Path> songs =
                files.recent().stream().filter(Files::isRegularFile).limit(MOST).toList();
        if (songs.isEmpty()) {
            return;
        }
        Label head = new Label("Open last");
        head.getStyleClass().add("caption");
        recent.getChildren().add(head);
        for (Path song : songs) {
            String name = String.valueOf(song.getFileName());
            String brief =
                    name.endsWith(ProjectFile.SUFFIX)
                            ? name.substring(0, name.length() - ProjectFile.SUFFIX.length())
                            : name;
            Button open = Plate.small(brief, () -> files.open(song));
            open.setTooltip(new Tooltip(song.toString()));
            open.setAccessibleText("open " + brief);
            recent.getChildren().add(open);
        }
    }
}
