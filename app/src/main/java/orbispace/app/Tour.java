package orbispace.app;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import orbispace.app.desk.Desk;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Type;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.CacheFolder;
import orbispace.app.song.DemoFiles;
import orbispace.app.song.Unit;
import orbispace.app.view.MainWindow;
import orbispace.core.plan.PlanTemplate;
import orbispace.files.FileProblem;

/** Opens every main view on the demo song off screen and writes a picture of each. */
final class Tour {
    private static final int WIDTH = 1280;
    private static final int HEIGHT = 800;
    private static final long MOST_SECONDS = 180;
    private static final String SHOWN_RETURN = "B";
    private static final String PLANNED = "Plan";
    private static final String THROWN_TO = "C";
    private static final double THROWN_AT_SECONDS = 38;

    private Tour() {}

    /** A picture: which screen, by day or night, and what is done before it is taken. */
    private record Stop(
            String screen, Palette palette, String file, java.util.function.Consumer<Desk> act) {
        Stop(String screen, Palette palette, String file) {
            this(screen, palette, file, desk -> {});
        }
    }

    private static final List<Stop> STOPS =
            List.of(
                    new Stop("Song", Palette.DAY, "song.png"),
                    new Stop("Orbit", Palette.DAY, "orbit.png"),
                    new Stop("Orbit", Palette.NIGHT, "orbit-night.png"),
                    new Stop("Orbit", Palette.DAY, "unit.png", Tour::measureUnit),
                    new Stop(
                            "Clear",
                            Palette.DAY,
                            "clear.png",
                            s -> s.orbit().units().open().set(false)),
                    new Stop("Clear", Palette.NIGHT, "clear-night.png"),
                    new Stop(PLANNED, Palette.DAY, "plan.png"),
                    new Stop("Prove", Palette.DAY, "prove.png"),
                    new Stop("Prove", Palette.NIGHT, "prove-night.png"),
                    new Stop("Sheet", Palette.DAY, "sheet.png"));

    static List<Path> run(Path folder) throws FileProblem {
        System.setProperty("glass.platform", "Headless");
        System.setProperty("prism.order", "sw");
        System.setProperty("java.awt.headless", "true");
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new FileProblem(folder + ": cannot be made a folder; choose another place", e);
        }
        Path project = DemoFiles.project(share -> {});
        CountDownLatch started = new CountDownLatch(1);
        Platform.startup(started::countDown);
        try {
            if (!started.await(60, TimeUnit.SECONDS)) {
                throw new FileProblem("the off-screen display did not start");
            }
            return visit(project, folder);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new FileProblem("the tour was interrupted", e);
        } catch (ExecutionException | TimeoutException e) {
            throw new FileProblem("the tour failed: " + e.getMessage(), e);
        } finally {
            Platform.exit();
        }
    }

    private static List<Path> visit(Path project, Path folder)
            throws FileProblem, InterruptedException, ExecutionException, TimeoutException {
        Desk desk =
                on(() ->
                        new Desk(
                                Platform::runLater,
                                RecentProjects.inMemory(),
                                CacheFolder.facts()));
        MainWindow window =
                on(() -> {
                    Type.load();
                    MainWindow made = new MainWindow(desk);
                    Stage stage = new Stage();
                    stage.setScene(made.scene());
                    stage.setWidth(WIDTH);
                    stage.setHeight(HEIGHT);
                    stage.show();
                    desk.frame().opening().open(project);
                    return made;
                });
        List<Path> files = new ArrayList<>();
        for (Stop stop : STOPS) {
            files.add(write(folder.resolve(stop.file()), visited(stop, desk, window)));
        }
        // Nobody misses what was changed to be seen; the next tour begins as this one did.
        on(() -> {
            desk.frame().giveUp();
            desk.close();
            return files;
        });
        return files;
    }

    /** What is seen at a stop, once everything there is measured. */
    private static WritableImage visited(Stop stop, Desk desk, MainWindow window)
            throws InterruptedException, ExecutionException, TimeoutException {
        on(() -> {
            desk.frame().selection().returnId().set(SHOWN_RETURN);
            window.setPalette(stop.palette());
            window.show(stop.screen());
            return stop;
        });
        if (stop.screen().equals(PLANNED)) {
            settle(() -> !desk.frame().jobs().busy());
            on(() -> planned(desk));
        }
        settle(() ->
                desk.frame().measured().clearance().get() != null && !desk.frame().jobs().busy());
        on(() -> {
            stop.act().accept(desk);
            return stop;
        });
        settle(() -> !desk.frame().jobs().busy());
        return on(() -> window.scene().snapshot(null));
    }

    /** Measures the unit that is not there, with a sweep in a folder of its own. */
    private static void measureUnit(Desk desk) {
        desk.orbit().units().open().set(true);
        desk.orbit()
                .units()
                .usualSweep()
                .ifPresent(sweep ->
                        desk.orbit().units().measure("Simulated unit", sweep, Unit.simulated()));
    }

    /** Lays a plan and throws a word, so that there is something to see. */
    private static boolean planned(Desk desk) {
        desk.plan().planning().lay(PlanTemplate.OPEN_UP);
        desk.frame().selection().returnId().set(THROWN_TO);
        desk.plan().throwing().picking().pickWord(THROWN_AT_SECONDS);
        desk.plan().throwing().throwPicked();
        return true;
    }

    /** Waits until all is measured and two layouts have passed. */
    private static void settle(BooleanSupplier done)
            throws InterruptedException, ExecutionException, TimeoutException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(MOST_SECONDS);
        int calm = 0;
        while (calm < 4) {
            boolean now = on(done::getAsBoolean);
            calm = now ? calm + 1 : 0;
            if (System.nanoTime() > end) {
                throw new TimeoutException("measuring did not end within " + MOST_SECONDS + " s");
            }
            Thread.sleep(120);
        }
    }

    private static <T> T on(java.util.concurrent.Callable<T> work)
            throws InterruptedException, ExecutionException, TimeoutException {
        CompletableFuture<T> result = new CompletableFuture<>();
        Platform.runLater(() -> {
            try {
                result.complete(work.call());
            } catch (Exception e) {
                result.completeExceptionally(e);
            }
        });
        return result.get(MOST_SECONDS, TimeUnit.SECONDS);
    }

    private static Path write(Path file, WritableImage image) throws FileProblem {
        int w = (int) image.getWidth();
        int h = (int) image.getHeight();
        BufferedImage out = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        PixelReader reader = image.getPixelReader();
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                out.setRGB(x, y, reader.getArgb(x, y));
            }
        }
        try {
            ImageIO.write(out, "png", file.toFile());
            return file;
        } catch (IOException e) {
            throw FileProblem.writing(file, e);
        }
    }
}
