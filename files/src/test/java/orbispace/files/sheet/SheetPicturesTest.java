package orbispace.files.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.files.project.ProjectFileTest;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;

/** The pictures of a sheet: well formed, inside their frame, and to scale. */
class SheetPicturesTest {
    private static final float SIZE = 300;

    /** Remembers where circles and arcs are drawn. */
    private static final class Seen implements Ink {
        final List<float[]> circles = new ArrayList<>();
        final List<Float> thickArcs = new ArrayList<>();
        private final float centreX = SIZE / 2;

        @Override
        public void text(String t, float x, float base, float points, boolean bold, float grey) {}

        @Override
        public float width(String text, float points, boolean bold) {
            return 0.5f * points * text.length();
        }

        @Override
        public void line(float x1, float y1, float x2, float y2, float thick, float grey) {}

        @Override
        public void path(float[] xs, float[] ys, boolean closed, float thick, float grey) {
            if (thick > 1) {
                float base = SIZE / 2 + 2;
                thickArcs.add((float) Math.hypot(xs[0] - centreX, ys[0] - base));
            }
        }

        @Override
        public void dash(float[] pattern) {}

        @Override
        public void circle(float x, float y, float r, boolean filled, float grey) {
            circles.add(new float[] {x, y, r});
        }

        @Override
        public void tint(int rgb) {}
    }

    private static RecallSheet sheet(Design design) {
        return RecallSheet.of(design, 95, Map.of());
    }

    private static Element svg(String html, int index)
            throws ParserConfigurationException, SAXException, IOException {
        Matcher m = Pattern.compile("<svg.*?</svg>", Pattern.DOTALL).matcher(html);
        for (int i = 0; i <= index; i++) {
            assertThat(m.find()).isTrue();
        }
        return DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(m.group())))
                .getDocumentElement();
    }

    @Test
    void bothPicturesOfThePageAreWellFormedAndInsideTheirFrame()
            throws ParserConfigurationException, SAXException, IOException {
        String html = HtmlSheet.of(sheet(ProjectFileTest.design()));
        for (int picture = 0; picture < 2; picture++) {
            Element svg = svg(html, picture);
            String[] box = svg.getAttribute("viewBox").split(" ");
            double wide = Double.parseDouble(box[2]);
            double high = Double.parseDouble(box[3]);
            NodeList paths = svg.getElementsByTagName("path");
            assertThat(paths.getLength()).isGreaterThan(6);
            for (int i = 0; i < paths.getLength(); i++) {
                String d = ((Element) paths.item(i)).getAttribute("d");
                for (String point : d.replaceAll("Z", "").split("[ML]")) {
                    if (!point.isBlank()) {
                        String[] xy = point.split(" ");
                        assertThat(Double.parseDouble(xy[0])).isBetween(-1.0, wide + 1);
                        assertThat(Double.parseDouble(xy[1])).isBetween(-1.0, high + 1);
                    }
                }
            }
        }
    }

    @Test
    void aLongerTailReachesFurtherOutAndRepeatsLieOnTheirTimes() throws IOException {
        Design design = ProjectFileTest.design();
        Return hall = design.requireReturn("A");
        Space.Reverb set = (Space.Reverb) hall.space();
        List<Float> outer = new ArrayList<>();
        for (double decay : new double[] {0.4, 1.2, 4}) {
            Space.Reverb other =
                    new Space.Reverb(
                            set.kind(), decay, set.lowRatio(), set.highRatio(), set.size());
            Seen seen = new Seen();
            new SheetPictures(seen, sheet(design.withReturn(hall.withSpace(other))))
                    .orbit(0, 0, SIZE, SIZE / 2 + 14);
            outer.add(seen.thickArcs.stream().max(Float::compare).orElseThrow());
        }
        assertThat(outer).isSorted();
        assertThat(outer.getLast()).isLessThanOrEqualTo(SIZE / 2 + 0.5f);
        Seen seen = new Seen();
        new SheetPictures(seen, sheet(design)).orbit(0, 0, SIZE, SIZE / 2 + 14);
        // The echo's beads get smaller, and each lies further out than the one before.
        List<float[]> beads = seen.circles.subList(1, seen.circles.size());
        assertThat(beads.size()).isGreaterThan(1);
        for (int i = 1; i < beads.size(); i++) {
            assertThat(beads.get(i)[2]).isLessThan(beads.get(i - 1)[2]);
            assertThat(out(beads.get(i))).isGreaterThan(out(beads.get(i - 1)));
        }
    }

    private static double out(float[] bead) {
        return Math.hypot(bead[0] - SIZE / 2, bead[1] - (SIZE / 2 + 2));
    }
}
