package orbispace.files.sheet;

import orbispace.core.words.Wording;

/** Draws into an SVG that stands inside a page; widths of text are estimates. */
final class SvgInk implements Ink {
    private static final float REGULAR_EM = 0.53f;
    private static final float BOLD_EM = 0.57f;

    private final StringBuilder out = new StringBuilder();
    private String dashes = "";
    private int rgb;

    /** The finished picture of a size in points, with what it shows in words. */
    String svg(float width, float height, String title) {
        return Wording.format(
                        "<svg viewBox=\"0 0 %.1f %.1f\" role=\"img\"" + " aria-label=\"%s\">\n",
                        width, height, title)
                + out
                + "</svg>\n";
    }

    private String colour(float grey) {
        return Wording.format(
                "rgb(%d,%d,%d)",
                Math.round(255 * Ink.mixed(rgb, 16, grey)),
                Math.round(255 * Ink.mixed(rgb, 8, grey)),
                Math.round(255 * Ink.mixed(rgb, 0, grey)));
    }

    @Override
    public void text(String text, float x, float base, float points, boolean bold, float grey) {
        out.append(
                Wording.format(
                        "<text x=\"%.1f\" y=\"%.1f\" font-size=\"%.1f\"%s fill=\"%s\">%s</text>\n",
                        x,
                        base,
                        points,
                        bold ? " font-weight=\"600\"" : "",
                        colour(grey),
                        SheetWriter.escaped(text)));
    }

    @Override
    public float width(String text, float points, boolean bold) {
        return text.length() * points * (bold ? BOLD_EM : REGULAR_EM);
    }

    @Override
    public void line(float x1, float y1, float x2, float y2, float thick, float grey) {
        path(new float[] {x1, x2}, new float[] {y1, y2}, false, thick, grey);
    }

    @Override
    public void path(float[] xs, float[] ys, boolean closed, float thick, float grey) {
        out.append("<path d=\"");
        for (int i = 0; i < xs.length; i++) {
            out.append(Wording.format("%s%.1f %.1f", i == 0 ? "M" : "L", xs[i], ys[i]));
        }
        out.append(closed ? "Z" : "")
                .append(
                        Wording.format(
                                "\" fill=\"none\" stroke=\"%s\" stroke-width=\"%.2f\"%s/>\n",
                                colour(grey), thick, dashes));
    }

    @Override
    public void dash(float[] pattern) {
        StringBuilder list = new StringBuilder();
        for (float p : pattern) {
            list.append(list.isEmpty() ? "" : " ").append(p);
        }
        dashes = pattern.length == 0 ? "" : " stroke-dasharray=\"" + list + "\"";
    }

    @Override
    public void circle(float x, float y, float r, boolean filled, float grey) {
        out.append(
                Wording.format(
                        "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"%.1f\" fill=\"%s\" stroke=\"%s\""
                                + " stroke-width=\"0.8\"/>\n",
                        x, y, r, filled ? colour(grey) : "none", filled ? "none" : colour(grey)));
    }

    @Override
    public void tint(int given) {
        rgb = given;
    }
}
