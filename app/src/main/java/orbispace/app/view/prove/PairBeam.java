package orbispace.app.view.prove;

import java.util.OptionalDouble;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.ProveModel;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.song.MixMeasure;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.control.SnapshotCoin;
import orbispace.core.clear.PartMatch;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.core.prove.log.Snapshot;
import orbispace.core.render.Responses;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** The pair that is compared, as a level beam between two tickets. */
final class PairBeam extends ScalingCanvas {
    private static final double TICKET = 250;

    private final ProveModel model;

    PairBeam(ProveModel model) {
        this.model = model;
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        MixMeasure mix = model.measured().mix().get();
        ticket(
                pen,
                0,
                "before",
                model.pair().before().get(),
                name(model.pair().before().get(), model.pair().firstName()),
                h);
        ticket(
                pen,
                w - TICKET,
                model.pair().other().get() == null ? "now" : "after",
                model.pair().after(),
                model.pair().same()
                        ? "The same"
                        : name(model.pair().after(), model.pair().otherName()),
                h);
        beam(pen, mix, TICKET + 8, w - TICKET - 8, h / 2 - 14);
    }

    private void beam(Pen pen, @Nullable MixMeasure mix, double left, double right, double y) {
        pen.line(left, y, right, y, pen.palette.ink, 1.6);
        double middle = (left + right) / 2;
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(1.2);
        pen.g.strokePolygon(
                new double[] {middle - 9, middle, middle + 9}, new double[] {y + 14, y, y + 14}, 3);
        if (mix == null) {
            text(pen, "is being measured", middle, y - 8);
            return;
        }
        lufs(pen, mix.pair().beforeLufs(), left + (middle - left) / 2, y - 8);
        lufs(pen, mix.pair().otherLufs(), middle + (right - middle) / 2, y - 8);
        pen.text(turned(mix, true), left + 6, y + 18, Type.regular(11.5), pen.palette.ink2);
        pen.text(
                turned(mix, false),
                right - 6,
                y + 18,
                Type.regular(11.5),
                pen.palette.ink2,
                TextAlignment.RIGHT);
        String part = model.matching().name().map(n -> n + " ").orElse("");
        text(pen, "B flips, " + part + "matched over " + where(), middle, y + 32);
        String became = model.widths().became();
        if (!became.isEmpty()) {
            text(pen, became, middle, y + 47);
        }
    }

    private String where() {
        Section chosen = model.selection().section().get();
        return chosen == null ? "the song" : chosen.name();
    }

    private static void text(Pen pen, String words, double x, double y) {
        pen.text(words, x, y, Type.regular(11.5), pen.palette.ink2, TextAlignment.CENTER);
    }

    private static void lufs(Pen pen, OptionalDouble lufs, double x, double y) {
        String words = lufs.isEmpty() ? "silence" : Wording.number(lufs.getAsDouble(), 1) + " LUFS";
        pen.text(words, x, y, Type.strong(14), pen.palette.ink, TextAlignment.CENTER);
    }

    private String turned(MixMeasure mix, boolean before) {
        PartMatch.Gains part = model.matching().gains().get();
        double db = part == null ? mix.matchDb(before) : before ? part.beforeDb() : part.afterDb();
        return db > -0.05 ? "left as it is" : "turned down " + Wording.number(-db, 1) + " dB";
    }

    private String name(Design design, String otherwise) {
        return model.log().book().get().snapshots().reversed().stream()
                .filter(s -> s.design().equals(design))
                .map(Snapshot::name)
                .findFirst()
                .orElse(otherwise);
    }

    private Responses responses() {
        return model.stems().sound().map(m -> m.responses()).orElse(Responses.NONE);
    }

    private void ticket(Pen pen, double x, String which, Design design, String name, double h) {
        pen.clipped(x + 0.5, 8.5, TICKET - 1, h - 18, 6, pen.palette.card, pen.palette.ink);
        double cy = h / 2;
        SnapshotCoin.paint(pen, x + 36, cy, 23, design, responses());
        pen.text(
                Pen.cut(name, TICKET - 84, Type.strong(14)),
                x + 70,
                cy - 1,
                Type.strong(14),
                pen.palette.ink);
        pen.text(which, x + 70, cy + 17, Type.regular(11.5), pen.palette.ink3);
    }
}
