package orbispace.files.sheet;

import java.io.IOException;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.design.Throw;
import orbispace.core.words.Wording;

/** The field as vectors: everything that follows the dry sound, and each return over the song. */
final class SheetPictures {
    private static final double LONGEST_SECONDS = 6;
    private static final double FIRST_SECONDS = 0.02;
    private static final double[] RINGS = {0.02, 0.1, 0.5, 2};
    private static final double LOWEST_DB = -26;
    private static final double HIGHEST_DB = 8;
    private static final int STEPS = 48;
    private static final int ARCS = 4;
    private static final float[][] DASHES = {{}, {5, 2}, {1.5f, 1.5f}, {7, 2, 1, 2}};

    private final Ink page;
    private final RecallSheet sheet;
    private final Design design;

    SheetPictures(Ink page, RecallSheet sheet) {
        this.page = page;
        this.sheet = sheet;
        design = sheet.design();
    }

    private static double radius(double seconds) {
        return Math.log1p(Math.min(LONGEST_SECONDS, seconds) / FIRST_SECONDS)
                / Math.log1p(LONGEST_SECONDS / FIRST_SECONDS);
    }

    /** Half a disc: radius is time after the dry sound, the arc the width between the sides. */
    void orbit(float x, float y, float w, float h) throws IOException {
        float r = Math.min(w / 2, h - 14);
        float cx = x + w / 2;
        float cy = y + h - 12;
        for (double ring : RINGS) {
            arc(cx, cy, (float) (r * radius(ring)), -90, 90, 0.3f, 0.75f);
            String words = ring < 1 ? Math.round(1000 * ring) + " ms" : Math.round(ring) + " s";
            page.text(
                    words,
                    cx + (float) (r * radius(ring)) - page.width(words, 5, false) / 2,
                    cy + 8,
                    5,
                    false,
                    0.4f);
        }
        page.line(cx - r, cy, cx + r, cy, 0.6f, 0.2f);
        page.circle(cx, cy, 2, true, 0);
        int index = 0;
        for (Return of : design.returns()) {
            page.tint(SheetInks.ofReturn(of.id()));
            orbit(of, cx, cy, r, index++);
        }
        page.tint(SheetInks.BLACK);
    }

    private void orbit(Return of, float cx, float cy, float r, int index) throws IOException {
        double predelay = of.predelay().seconds(design.song().clock(), of.timedAtBar());
        double half = Math.clamp(45 * of.chain().width().factor(), 6, 90);
        if (of.space() instanceof Space.Echo echo) {
            long before =
                    design.returns().stream()
                            .limit(index)
                            .filter(o -> o.space() instanceof Space.Echo)
                            .count();
            beads(of, echo, cx, cy, r, predelay, before);
            return;
        }
        double tail = tail(of);
        float inner = (float) (r * radius(predelay));
        float outer = (float) (r * radius(predelay + tail));
        page.dash(DASHES[index % DASHES.length]);
        for (int i = 0; i <= ARCS; i++) {
            float at = inner + (outer - inner) * i / ARCS;
            boolean edge = i == 0 || i == ARCS;
            arc(cx, cy, at, -half, half, edge ? 1.1f : 0.5f, edge ? 0 : 0.35f);
        }
        for (double side : new double[] {-half, half}) {
            float sin = (float) Math.sin(Math.toRadians(side));
            float cos = (float) Math.cos(Math.toRadians(side));
            page.line(
                    cx + inner * sin,
                    cy - inner * cos,
                    cx + outer * sin,
                    cy - outer * cos,
                    0.7f,
                    0.1f);
        }
        page.dash(DASHES[0]);
        // Each letter stands at an angle of its own, from the right edge of the fan to the left.
        double step = Math.min(9, (2 * half - 8) / Math.max(1, design.returns().size() - 1));
        double angle = Math.toRadians(half - 4 - step * index);
        page.text(
                of.id(),
                cx + (float) ((outer + 4) * Math.sin(angle)) - 3,
                cy - (float) ((outer + 4) * Math.cos(angle)) + 2,
                8,
                true,
                0);
    }

    /** How long it rings: as measured where a decay was, else as it is set. */
    private double tail(Return of) {
        double measured =
                sheet.returns().stream()
                        .filter(c -> c.id().equals(of.id()))
                        .flatMap(c -> c.measured().stream())
                        .mapToDouble(RecallSheet.Band::seconds)
                        .max()
                        .orElse(0);
        SpaceTraits traits = of.space().traits();
        return switch (traits.nature()) {
            case TAIL -> measured > 0 ? measured : traits.decaySeconds().orElse(0);
            case WALL ->
                    traits.wall()
                            .map(w -> w.seconds(design.song().clock(), of.timedAtBar()))
                            .orElse(0.0);
            case RESPONSE -> measured;
            case COPIES -> traits.lastCopySeconds();
            case REPEATS, COLOUR -> 0;
        };
    }

    private void beads(
            Return of, Space.Echo echo, float cx, float cy, float r, double predelay, long before)
            throws IOException {
        double spacing = echo.time().seconds(design.song().clock(), of.timedAtBar());
        double side = 50;
        float lastX = cx;
        float lastY = cy;
        for (int k = 1; k <= 6; k++) {
            double level = Math.pow(echo.feedback(), k - 1);
            double time = predelay + k * spacing;
            if (level < 0.03 || time > LONGEST_SECONDS) {
                break;
            }
            double angle = Math.toRadians(k % 2 == 1 ? -side : side);
            float at = (float) (r * radius(time));
            lastX = cx + (float) (at * Math.sin(angle));
            lastY = cy - (float) (at * Math.cos(angle));
            page.circle(lastX, lastY, (float) (1.2 + 3 * level), true, 0.1f);
        }
        // Echoes of one time end at one place; their letters stand beside each other.
        page.text(of.id(), lastX + 6 + 7 * before, lastY + 3, 8, true, 0);
    }

    private void arc(float cx, float cy, float r, double from, double to, float thick, float grey)
            throws IOException {
        float[] xs = new float[STEPS + 1];
        float[] ys = new float[STEPS + 1];
        for (int i = 0; i <= STEPS; i++) {
            double angle = Math.toRadians(from + (to - from) * i / STEPS);
            xs[i] = cx + (float) (r * Math.sin(angle));
            ys[i] = cy - (float) (r * Math.cos(angle));
        }
        page.path(xs, ys, false, thick, grey);
    }

    /** A line of its level for each return, sections across. */
    void plan(float x, float y, float w, float h) throws IOException {
        if (design.song().sections().isEmpty()) {
            return;
        }
        int first = design.song().sections().getFirst().firstBar();
        int last = design.song().sections().getLast().endBar();
        float label = 16;
        float perBar = (w - label) / Math.max(1, last - first);
        float row = Math.min(34, (h - 14) / Math.max(1, design.returns().size()));
        for (Section s : design.song().sections()) {
            float at = x + label + (s.firstBar() - first) * perBar;
            page.line(at, y, at, y + 12 + row * design.returns().size(), 0.3f, 0.6f);
            String name = cut(s.name(), s.bars() * perBar - 3);
            page.text(name, at + 2, y + 7, 5.5f, false, 0.2f);
        }
        float top = y + 12;
        for (Return r : design.returns()) {
            page.tint(SheetInks.ofReturn(r.id()));
            page.text(r.id(), x, top + row / 2 + 3, 9, true, 0);
            level(r, x + label, top, perBar, row, first);
            throwsInto(r, x + label, top, perBar, first);
            top += row;
        }
        page.tint(SheetInks.BLACK);
    }

    private void level(Return r, float x, float top, float perBar, float row, int first)
            throws IOException {
        for (Section s : design.song().sections()) {
            PlanCell cell = s.plan().cell(r.id());
            float from = x + (s.firstBar() - first) * perBar;
            float to = from + s.bars() * perBar;
            double db = cell.muted() ? LOWEST_DB : cell.levelDb();
            double share = Math.clamp((db - LOWEST_DB) / (HIGHEST_DB - LOWEST_DB), 0, 1);
            float at = (float) (top + row - 3 - share * (row - 6));
            page.line(from, at, to, at, 1.2f, 0);
            for (float up = at + 2; up < top + row - 3; up += 2.2f) {
                page.line(from, up, to, up, 0.2f, 0.55f);
            }
            String level = db == 0 ? "" : Wording.signed(db);
            String words = cell.muted() ? "muted" : level;
            if (!words.isEmpty() && page.width(words, 5.5f, true) < to - from - 2) {
                page.text(words, from + 2, at - 1.5f, 5.5f, true, 0);
            }
        }
    }

    private void throwsInto(Return r, float x, float top, float perBar, int first)
            throws IOException {
        for (Throw t : design.thrown()) {
            if (t.returnId().equals(r.id())) {
                int bar =
                        design.song()
                                .clock()
                                .barAtSeconds(design.song().clock().secondsAt(t.fromBeat()) + 1e-6);
                page.circle(x + (bar - first + 0.5f) * perBar, top + 4, 2.2f, false, 0);
            }
        }
    }

    private String cut(String name, float room) throws IOException {
        String text = name;
        while (!text.isEmpty() && page.width(text, 5.5f, false) > room) {
            text = text.substring(0, text.length() - 1);
        }
        return text;
    }
}
