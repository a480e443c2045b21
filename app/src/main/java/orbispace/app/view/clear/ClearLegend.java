package orbispace.app.view.clear;

import orbispace.app.draw.Hatch;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;

/** What the hatches of the Clear screen mean. */
final class ClearLegend {
    private ClearLegend() {}

    /**
     * Paints it at the right.
     *
     * @param id letter of the chosen return; empty for none
     * @param changed whether there is something that was otherwise before
     */
    static void paint(Pen pen, double w, String id, boolean changed) {
        String[] names = {
            "blooms in a gap", "under the dry", "covers the dry", "before, \u2022 won back"
        };
        double x = w - 16;
        String shown = id.isEmpty() ? "A" : id;
        for (int i = changed ? 3 : 2; i >= 0; i--) {
            double width = Pen.width(names[i], Type.regular(11.5));
            pen.text(names[i], x - width, 30, Type.regular(11.5), pen.palette.ink2);
            x -= width + 34;
            switch (i) {
                case 0 -> {
                    pen.g.setFill(pen.palette.ofReturn(shown));
                    pen.g.fillRect(x, 20, 26, 12);
                }
                case 1 ->
                        Hatch.ofReturn(
                                pen.g,
                                shown,
                                pen.palette.ofReturn(shown),
                                Hatch.Area.rectangle(x, 20, 26, 12));
                case 3 -> {
                    pen.g.setLineDashes(3, 3);
                    pen.line(x, 26, x + 26, 26, pen.palette.ink, 1);
                    pen.g.setLineDashes();
                }
                default ->
                        Hatch.cross(pen.g, pen.palette.warn, Hatch.Area.rectangle(x, 20, 26, 12));
            }
            x -= 18;
        }
    }
}
