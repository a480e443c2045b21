package orbispace.app.view.frame;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import orbispace.app.desk.ScreenModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.TimeAxis;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Section;
import orbispace.core.words.Wording;

/**
 * One step of the work: the main area with its title, and its inspector.
 *
 * @param <M> the model of the screen
 */
public abstract class Screen<M extends ScreenModel> extends Pane {
    private static final double LEAST_NAMES = 108;
    private static final double MOST_NAMES = 180;
    private static final double NARROW_CHART = 960;
    private static final double NAMES_SHARE = 0.16;

    private static final double LINE = 17;

    /** With less room the line of what to do next takes two. */
    private static final double NARROW = 300;

    protected final M model;
    private final Label title;
    private final Label next = new Label();
    private final Label caption = new Label();
    private final Label ears = new Label();
    private boolean front;
    private boolean stale = true;

    protected Screen(M model, String name) {
        this.model = model;
        title = new Label(name);
        title.getStyleClass().add("screen-title");
        caption.getStyleClass().add("caption");
        ears.getStyleClass().add("by-ears");
        ears.setMouseTransparent(true);
        next.getStyleClass().add("next");
        next.setMouseTransparent(true);
        next.setWrapText(true);
        next.setAlignment(Pos.TOP_LEFT);
    }

    /** What fills the main area, from back to front; the title lies over all. */
    public final void fill(javafx.scene.Node... nodes) {
        getChildren().setAll(nodes);
        getChildren().addAll(title, caption, ears, next);
    }

    /**
     * Says beside the title what is shown, and by whose ears states are told if not the model's.
     */
    public final void caption(String text) {
        caption.setText(text);
        ears.setText(model.design().get().aims().hearing().borders().by());
        requestLayout();
    }

    /** The chosen section with its bars and tempo, in words. */
    public final String section() {
        Section s = model.selection().section().get();
        if (s == null) {
            return "the whole song";
        }
        double bpm = model.design().get().song().clock().bpmOfBar(s.firstBar());
        return s.name()
                + ", bars "
                + s.firstBar()
                + "\u2013"
                + (s.endBar() - 1)
                + " at "
                + Wording.number(bpm, 0)
                + " bpm";
    }

    @Override
    protected void layoutChildren() {
        double w = Math.ceil(title.prefWidth(-1));
        Plate.place(title, 16, 3, w, 30);
        double said = Math.min(260, Math.ceil(caption.prefWidth(-1)));
        Plate.place(caption, 16 + w + 14, 10, said, 18);
        Plate.place(ears, 16 + w + 14 + said + 12, 10, 230, 18);
        double room = nextRoom();
        Plate.place(next, 16, 28, room, room < NARROW ? 2 * LINE : LINE);
        super.layoutChildren();
    }

    /** How wide the line of what to do next may be. */
    protected double nextRoom() {
        return getWidth() - 32;
    }

    /** The inspector. */
    public abstract Region inspector();

    /** Takes other colours. */
    public abstract void setPalette(Palette palette);

    /** Comes to the front, where what takes long to measure may begin, or goes behind. */
    public void shown(boolean isFront) {
        front = isFront;
        if (front && stale) {
            stale = false;
            refresh();
            sayNext();
        }
    }

    /** Width of the column of names left of every time axis, on a chart of a width. */
    public static double names(double chartWidth) {
        return Math.clamp(
                LEAST_NAMES + NAMES_SHARE * (chartWidth - NARROW_CHART), LEAST_NAMES, MOST_NAMES);
    }

    /** A time axis right of the names, on a chart of a width. */
    public static TimeAxis axis(double fromSeconds, double toSeconds, double chartWidth) {
        double names = names(chartWidth);
        return new TimeAxis(
                fromSeconds, toSeconds, 16 + names, Math.max(1, chartWidth - 32 - names));
    }

    /** Shows what has changed, now or when this screen comes to the front. */
    public final void refreshWhenSeen() {
        whenSeen(this::refresh);
    }

    /** Does something now if this screen is in front; if not, it shows everything when it comes. */
    protected final void whenSeen(Runnable now) {
        stale = !front;
        if (front) {
            now.run();
            sayNext();
        }
    }

    /** Says in one line what to do here next; nothing where nothing asks for it. */
    private void sayNext() {
        String words = model.next();
        next.setText(words.isEmpty() ? "" : "\u203a " + words);
    }

    /** Shows everything as it is. */
    public void refresh() {}

    /** Goes to the next worst place, on screens that have one. */
    public void nextWorst() {}

    /** Lines about the keys of this screen. */
    public abstract String keys();
}
