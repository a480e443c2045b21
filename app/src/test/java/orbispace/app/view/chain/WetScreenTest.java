package orbispace.app.view.chain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.ButtonBase;
import javafx.scene.input.KeyCode;
import orbispace.app.view.WindowCase;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.design.WetBus;
import org.junit.jupiter.api.Test;

/** What returns pass together, and a blend taken in, typed in the window. */
class WetScreenTest extends WindowCase {
    private void hall() {
        key(KeyCode.DIGIT2);
        robot.interact(() -> desk.frame().selection().returnId().set("A"));
        until(() -> labels().contains("ALL WET"));
    }

    private void fireCalled(String accessible) {
        robot.interact(() -> ((ButtonBase) called(accessible)).fire());
    }

    @Test
    void allWetAndAllOfAPurposeAreTrimmedFilteredAndNarrowed() {
        hall();
        Design before = design();
        Purpose purpose = Purposes.of(before, before.requireReturn("A"));
        focusCalled("trim");
        robot.write("-2").type(KeyCode.ENTER);
        assertThat(design().wet().of(Optional.of(purpose))).isEqualTo(WetBus.PLAIN.withTrim(-2));
        assertThat(design().aims().purposes()).containsEntry("A", purpose);
        fireCalled("add a band to the filter of all wet");
        until(() -> !design().wet().all().filter().equals(Filter.OPEN));
        assertThat(design().wet().all().filter().bands()).hasSize(1);
        focusCalled("trim");
        robot.write("40").type(KeyCode.ENTER);
        assertThat(design().wet().of(Optional.of(purpose)).trimDb()).isEqualTo(-2);
        assertThat(desk.frame().problem().get()).isNotEmpty();
        key(KeyCode.Z, KeyCode.CONTROL);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design()).isEqualTo(before);
    }

    @Test
    void whatLeakedIsSaidOnceForSourcesThatItRaisedAlike() {
        hall();
        List<Source> all = design().sources();
        robot.interact(() ->
                all.forEach(s -> desk.frame().edit(new ReturnEdit.SendLevel("A", s.id(), -6.0))));
        fireCalled("take in a return that was partly wet");
        String names = all.stream().map(Source::name).collect(Collectors.joining(", "));
        assertThat(labels()).anyMatch(l -> l.contains(" had raised " + names + " by "));
    }

    @Test
    void aPartlyWetReturnIsTakenIn() {
        hall();
        double level = design().requireReturn("A").levelDb();
        Design before = design();
        fireCalled("take in a return that was partly wet");
        focusCalled("share that is wet");
        robot.write("25").type(KeyCode.ENTER);
        assertThat(labels()).anyMatch(l -> l.startsWith("25 % wet at "));
        fire("Take it in");
        assertThat(design().requireReturn("A").levelDb()).isCloseTo(level - 12.04, within(0.01));
        assertThat(design().sources()).isEqualTo(before.sources());
        key(KeyCode.Z, KeyCode.CONTROL);
        fireCalled("take in a return that was partly wet");
        fire("Take it in, raise the sources");
        String sender = before.requireReturn("A").sends().keySet().iterator().next();
        assertThat(design().findSource(sender).orElseThrow().gainDb())
                .isGreaterThan(before.findSource(sender).orElseThrow().gainDb());
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design()).isEqualTo(before);
    }
}
