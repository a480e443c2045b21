package orbispace.app.draw;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import javafx.scene.paint.Color;

/** The named colours, by day and by night. Names say what a colour is for. */
@SuppressWarnings("ImmutableEnumChecker") // Colours cannot change; the toolkit does not say so.
public enum Palette {
    /** Paper and ink. */
    DAY(
            "#F4EFE4",
            "#F8F4EA",
            "#ECE5D6",
            "#FAF7EF",
            "#F3EDE0",
            "#1B2A49",
            "#47536C",
            "#596277",
            "#BFB8A8",
            "#D9D1C1",
            "#A03069",
            "#AA2D17",
            new String[] {
                "#1F7565", "#2F4296", "#8E5E0A", "#5D3467", "#5B6721", "#8C2F3B", "#2C6A86",
                "#6E4B33", "#2B4A12", "#5A1212", "#241A78", "#7348A0", "#43174F", "#7A566E",
                "#1E5145", "#5A5048"
            }),
    /** Ink and paper. */
    NIGHT(
            "#0E1726",
            "#111C2E",
            "#121D30",
            "#19273E",
            "#152238",
            "#EDE4D0",
            "#BDB9AE",
            "#949AA3",
            "#46546B",
            "#28364D",
            "#E58BB8",
            "#F4866A",
            new String[] {
                "#6FC2AE", "#93A7E8", "#E0B35C", "#CF9BD2", "#B0BE6C", "#E2848C", "#7FBAD6",
                "#CDA888", "#D6D66A", "#A6E8E8", "#6BAA4A", "#C79A2E", "#8CA89C", "#8EE8AC",
                "#4FA0E0", "#EBC6EB"
            });

    private static final int SLOTS = 16;

    /** Main ground. */
    public final Color paper;

    /** Ground of plots. */
    public final Color disc;

    /** Rail and inspector. */
    public final Color panel;

    /** Chosen or actionable. */
    public final Color card;

    /** At rest. */
    public final Color cardQuiet;

    /** Lines and numbers. */
    public final Color ink;

    /** Text. */
    public final Color ink2;

    /** Units. */
    public final Color ink3;

    /** Borders. */
    public final Color rule;

    /** Separators. */
    public final Color hair;

    /** Musical time only. */
    public final Color time;

    /** Warnings only. */
    public final Color warn;

    private final Color[] returns;

    Palette(
            String paper,
            String disc,
            String panel,
            String card,
            String cardQuiet,
            String ink,
            String ink2,
            String ink3,
            String rule,
            String hair,
            String time,
            String warn,
            String[] returns) {
        this.paper = Color.web(paper);
        this.disc = Color.web(disc);
        this.panel = Color.web(panel);
        this.card = Color.web(card);
        this.cardQuiet = Color.web(cardQuiet);
        this.ink = Color.web(ink);
        this.ink2 = Color.web(ink2);
        this.ink3 = Color.web(ink3);
        this.rule = Color.web(rule);
        this.hair = Color.web(hair);
        this.time = Color.web(time);
        this.warn = Color.web(warn);
        this.returns = java.util.Arrays.stream(returns).map(Color::web).toArray(Color[]::new);
    }

    /** Place of a return's letter among the colours and hatches. */
    public static int slot(String returnId) {
        return Math.floorMod(returnId.charAt(0) - 'A', SLOTS);
    }

    /** Colour of a return. */
    public Color ofReturn(String returnId) {
        return returns[slot(returnId)];
    }

    /** The colours by name for the style sheets, as a style sheet of their own. */
    public String stylesheet() {
        byte[] css = (".root{" + colours() + "}").getBytes(StandardCharsets.UTF_8);
        return "data:text/css;base64," + Base64.getEncoder().encodeToString(css);
    }

    private String colours() {
        return String.join(
                "",
                rule("paper", paper),
                rule("disc", disc),
                rule("panel", panel),
                rule("card", card),
                rule("card-quiet", cardQuiet),
                rule("ink", ink),
                rule("ink2", ink2),
                rule("ink3", ink3),
                rule("rule", rule),
                rule("hair", hair),
                rule("time", time),
                rule("warn", warn));
    }

    private static String rule(String name, Color c) {
        return String.format(
                "-o-%s:#%02x%02x%02x;",
                name,
                Math.round(255 * c.getRed()),
                Math.round(255 * c.getGreen()),
                Math.round(255 * c.getBlue()));
    }
}
