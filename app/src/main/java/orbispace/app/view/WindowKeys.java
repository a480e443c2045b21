package orbispace.app.view;

import java.util.Map;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import orbispace.app.desk.FrameModel;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.frame.Step;
import orbispace.core.render.HeardBand;

/** What keys do in the window, whichever screen is in front. */
final class WindowKeys {
    /** A band is heard for as long as its key is held. */
    private static final Map<KeyCode, HeardBand> BANDS =
            Map.of(
                    KeyCode.DIGIT7, HeardBand.LOW,
                    KeyCode.DIGIT8, HeardBand.LOW_MID,
                    KeyCode.DIGIT9, HeardBand.HIGH_MID,
                    KeyCode.DIGIT0, HeardBand.HIGH);

    private final MainWindow window;
    private final FrameModel model;

    WindowKeys(MainWindow window, FrameModel model) {
        this.window = window;
        this.model = model;
    }

    /**
     * Shortcuts, wherever the focus is. A button that was clicked keeps the focus, but space goes
     * on to play: it presses what the keyboard has reached.
     */
    void shortcut(KeyEvent e) {
        if (!e.isShortcutDown()) {
            boolean clicked =
                    window.scene().getFocusOwner() instanceof ButtonBase b && !b.isFocusVisible();
            if (e.getCode() == KeyCode.SPACE && clicked && !e.isAltDown()) {
                model.transport().togglePlaying();
                e.consume();
            }
            return;
        }
        boolean known = true;
        switch (e.getCode()) {
            case Z -> {
                if (e.isShiftDown()) {
                    model.editor().redo();
                } else {
                    model.editor().undo();
                }
            }
            case Y -> model.editor().redo();
            case S -> {
                if (e.isShiftDown()) {
                    window.files().saveAs();
                } else {
                    window.files().save();
                }
            }
            case O -> window.files().open();
            case N -> window.files().newFromStems();
            case B -> window.files().bring();
            default -> known = setKey(e);
        }
        if (known) {
            e.consume();
        }
    }

    /** Solos and mutes under a number: heard, or kept with Shift. */
    private boolean setKey(KeyEvent e) {
        int number = "123456789".indexOf(e.getCode().getName()) + 1;
        if (!e.getCode().isDigitKey() || number == 0) {
            return false;
        }
        if (e.isShiftDown()) {
            model.sets().keep(number);
        } else if (!model.sets().hear(number)) {
            model.problem()
                    .set(
                            "Nothing is kept under "
                                    + number
                                    + "; Ctrl+Shift+"
                                    + number
                                    + " keeps what is soloed and muted now.");
        }
        return true;
    }

    /** Keys that nobody else took. */
    void key(KeyEvent e) {
        if (e.getTarget() instanceof TextInputControl || e.isShortcutDown() || e.isAltDown()) {
            return;
        }
        switch (e.getCode()) {
            case SPACE -> model.transport().togglePlaying();
            case L -> model.transport().looping().set(!model.transport().looping().get());
            case M -> model.transport().mono().set(!model.transport().mono().get());
            case D -> model.transport().dryAlone().set(!model.transport().dryAlone().get());
            case W -> model.transport().wetOnly().set(!model.transport().wetOnly().get());
            case B -> {
                if (e.isShiftDown()) {
                    model.pair().keepAsBefore();
                } else {
                    model.transport().hearingBefore().set(!model.transport().hearingBefore().get());
                }
            }
            case N -> window.screen().nextWorst();
            case R -> model.references().flip();
            case ESCAPE -> {
                window.hideKeys();
                model.bench().close();
                if (window.scene().getFocusOwner() instanceof NumberField) {
                    window.leaveNumber();
                }
            }
            default -> digitKey(e);
        }
    }

    /** The key of a band is let go. */
    void released(KeyEvent e) {
        if (BANDS.containsKey(e.getCode())) {
            model.transport().band().set(HeardBand.ALL);
        }
    }

    /** While the bench is open, number keys flip its candidates. */
    private void digitKey(KeyEvent e) {
        String text = e.getText();
        boolean digit = text.length() == 1 && Character.isDigit(text.charAt(0));
        if (digit
                && model.bench().isOpen()
                && !(window.scene().getFocusOwner() instanceof NumberField)) {
            model.bench().hear(text.charAt(0) - '1');
        } else if (BANDS.containsKey(e.getCode())
                && !(window.scene().getFocusOwner() instanceof NumberField)) {
            model.transport().band().set(BANDS.get(e.getCode()));
        } else {
            stepKey(e);
        }
    }

    private void stepKey(KeyEvent e) {
        if (e.getText().equals("?") || (e.getCode() == KeyCode.SLASH && e.isShiftDown())) {
            window.turnKeys(
                    window.screen().keys()
                            + " Space: play. L: repeat the section. B: before or after; Shift+B:"
                            + " compare with now. M: mono. W: wet alone. D: dry alone."
                            + " 7, 8, 9, 0 held: lows, low mids, high mids, highs alone."
                            + " Ctrl+1 to 9: solos and mutes that Ctrl+Shift+1 to 9 kept."
                            + " 1 to 6: the steps, after Esc if a number has the focus."
                            + " Ctrl+N, O, S: new, open, save. ?: these lines.");
        }
        for (Step s : Step.values()) {
            if (e.getText().equals(Integer.toString(s.digit))
                    && !(window.scene().getFocusOwner() instanceof NumberField)) {
                window.go(s);
            }
        }
    }
}
