package orbispace.app.draw;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;

class AxesTest {
    @Test
    void timeGoesBothWays() {
        TimeAxis axis = new TimeAxis(5.7, 28.6, 124, 752);
        assertThat(axis.x(5.7)).isEqualTo(124);
        assertThat(axis.x(28.6)).isCloseTo(876, within(1e-9));
        assertThat(axis.right()).isEqualTo(876);
        for (double s = 5.7; s < 28.6; s += 1.3) {
            assertThat(axis.seconds(axis.x(s))).isCloseTo(s, within(1e-9));
        }
    }

    @Test
    void radiusIsTimeAndAngleIsSide() {
        PolarAxis axis = new PolarAxis(446, 450, 406);
        for (double s : new double[] {0.01, 0.1, 1, 3}) {
            double r = axis.r(s);
            for (double bearing : new double[] {-90, -40, 0, 63, 90}) {
                assertThat(axis.distance(axis.x(r, bearing), axis.y(r, bearing)))
                        .isCloseTo(r, within(1e-9));
            }
            assertThat(axis.seconds(r)).isCloseTo(s, within(1e-9));
        }
        assertThat(axis.x(100, -90)).isCloseTo(346, within(1e-9));
        assertThat(axis.y(100, 0)).isCloseTo(350, within(1e-9));
        assertThat(axis.r(6)).isCloseTo(406, within(1e-9));
        assertThat(axis.seconds(10_000)).isLessThan(7);
    }

    /** How colours are seen: as they are, and without red, green or blue cones (Machado 2009). */
    private static final double[][][] EYES = {
        {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}},
        {
            {0.152286, 1.052583, -0.204868},
            {0.114503, 0.786281, 0.099216},
            {-0.003882, -0.048116, 1.051998}
        },
        {
            {0.367322, 0.860646, -0.227968},
            {0.280085, 0.672501, 0.047413},
            {-0.011820, 0.042940, 0.968881}
        },
        {
            {1.255528, -0.076749, -0.178779},
            {-0.078411, 0.930809, 0.147602},
            {0.004733, 0.691367, 0.303900}
        }
    };

    private static double luminance(Color c, double[][] eye) {
        double[] v = {c.getRed(), c.getGreen(), c.getBlue()};
        for (int i = 0; i < 3; i++) {
            v[i] = v[i] <= 0.03928 ? v[i] / 12.92 : Math.pow((v[i] + 0.055) / 1.055, 2.4);
        }
        double[] seen = new double[3];
        for (int i = 0; i < 3; i++) {
            double sum = eye[i][0] * v[0] + eye[i][1] * v[1] + eye[i][2] * v[2];
            seen[i] = Math.clamp(sum, 0, 1);
        }
        return 0.2126 * seen[0] + 0.7152 * seen[1] + 0.0722 * seen[2];
    }

    private static double contrast(Color a, Color b, double[][] eye) {
        double x = luminance(a, eye);
        double y = luminance(b, eye);
        return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
    }

    @Test
    void textStandsOutFromEveryGroundByDayAndNightHoweverColoursAreSeen() {
        for (Palette p : Palette.values()) {
            for (Color ground : new Color[] {p.paper, p.disc, p.panel, p.card, p.cardQuiet}) {
                for (Color text : new Color[] {p.ink, p.ink2, p.ink3, p.time, p.warn}) {
                    for (double[][] eye : EYES) {
                        assertThat(contrast(text, ground, eye))
                                .as("%s: %s on %s", p, text, ground)
                                .isGreaterThanOrEqualTo(4.5);
                    }
                }
            }
        }
    }

    @Test
    void returnsHaveColoursOfTheirOwn() {
        for (Palette p : Palette.values()) {
            assertThat(
                            java.util.stream.Stream.of("ABCDEFGHIJKLMNOP".split(""))
                                    .map(p::ofReturn)
                                    .distinct())
                    .hasSize(16);
        }
        assertThat(Palette.slot("Q")).isEqualTo(Palette.slot("A"));
    }

    @Test
    void theStyleSheetKnowsEveryNamedColour() {
        String sheet = Palette.NIGHT.stylesheet();
        String css =
                new String(
                        java.util.Base64.getDecoder()
                                .decode(sheet.substring(sheet.indexOf(',') + 1)),
                        java.nio.charset.StandardCharsets.UTF_8);
        for (String name :
                new String[] {
                    "paper",
                    "disc",
                    "panel",
                    "card",
                    "card-quiet",
                    "ink",
                    "ink2",
                    "ink3",
                    "rule",
                    "hair",
                    "time",
                    "warn"
                }) {
            assertThat(css).contains("-o-" + name + ":#");
        }
    }

    @Test
    void theWorstBarComesFirstAndThenTheNextWorst() {
        OptionalDouble rest = OptionalDouble.empty();
        List<OptionalDouble> bars =
                List.of(
                        OptionalDouble.of(0.9),
                        rest,
                        OptionalDouble.of(0.6),
                        OptionalDouble.of(0.8),
                        OptionalDouble.of(0.6));
        assertThat(PresenceStrip.worst(bars, rest)).hasValue(3);
        assertThat(PresenceStrip.worst(bars, OptionalDouble.of(0.6))).hasValue(4);
        assertThat(PresenceStrip.worst(bars, OptionalDouble.of(0.9))).isEmpty();
        assertThat(PresenceStrip.worst(List.of(rest), rest)).isEmpty();
    }

    @Test
    void bandsOfTheClashChartFollowThePointer() {
        assertThat(ClashPainter.bandAt(300, 100, 200)).isZero();
        assertThat(ClashPainter.bandAt(100, 100, 200)).isEqualTo(39);
        assertThat(ClashPainter.bandAt(0, 100, 200)).isEqualTo(39);
        assertThat(ClashPainter.bandAt(200, 100, 200)).isBetween(19, 20);
    }
}
