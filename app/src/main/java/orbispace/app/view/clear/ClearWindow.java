package orbispace.app.view.clear;

import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.TimeWindow;
import orbispace.core.time.Span;

/** The part of a section that Clear shows: all of it, or a part that is looked at from nearer. */
final class ClearWindow {
    private static final double ZOOM = 1.5;

    private Span section = new Span(0, 1);
    private TimeWindow seen = TimeWindow.all(1);

    /** What is seen of a section; all of it if it is another one than before. */
    Span of(Span given) {
        if (!given.equals(section)) {
            section = given;
            seen = TimeWindow.all(given.seconds());
        }
        double start = section.startSeconds();
        return new Span(start + seen.fromSeconds(), start + seen.toSeconds());
    }

    /** Whether all of the section is seen. */
    boolean isAll() {
        return seen.isAll();
    }

    /** Turns the wheel over a place: nearer, farther, or with Shift along. */
    void wheel(ScrollEvent e, TimeAxis axis) {
        if (e.isShiftDown() || Math.abs(e.getDeltaX()) > Math.abs(e.getDeltaY())) {
            double by = e.getDeltaX() == 0 ? e.getDeltaY() : e.getDeltaX();
            seen = seen.scrolled(-by / 400 * seen.seconds());
        } else if (e.getDeltaY() != 0) {
            zoom(axis.seconds(e.getX()), e.getDeltaY() > 0 ? ZOOM : 1 / ZOOM);
        }
    }

    /** Takes a key; false if it means nothing here. */
    boolean key(KeyEvent e, double playhead) {
        double middle = section.startSeconds() + (seen.fromSeconds() + seen.toSeconds()) / 2;
        boolean inside = of(section).contains(playhead);
        if (e.getText().equals("+") || e.getCode() == KeyCode.PLUS || e.getText().equals("=")) {
            zoom(inside ? playhead : middle, ZOOM);
        } else if (e.getText().equals("-") || e.getCode() == KeyCode.MINUS) {
            zoom(inside ? playhead : middle, 1 / ZOOM);
        } else if (e.getCode() == KeyCode.LEFT) {
            seen = seen.scrolled(-seen.seconds() / 8);
        } else if (e.getCode() == KeyCode.RIGHT) {
            seen = seen.scrolled(seen.seconds() / 8);
        } else if (e.getCode() == KeyCode.HOME) {
            seen = TimeWindow.all(section.seconds());
        } else {
            return false;
        }
        return true;
    }

    private void zoom(double songSeconds, double factor) {
        seen = seen.zoomed(songSeconds - section.startSeconds(), factor);
    }
}
