package orbispace.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ToldApartTest {
    @Test
    void namesThatFitStayWholeAndOthersKeepSidesAndNumbers() {
        Map<String, String> names =
                ToldApart.of(List.of("Kik in", "Acoustic wide L", "Acoustic wide R", "bgv 3 L"), 9);
        assertThat(names)
                .containsEntry("Kik in", "Kik in")
                .containsEntry("Acoustic wide L", "Aco wid L")
                .containsEntry("Acoustic wide R", "Aco wid R")
                .containsEntry("bgv 3 L", "bgv 3 L");
    }

    @Test
    void whatIsTheSameOnceCutLosesTheWordsThatAllShare() {
        Map<String, String> names =
                ToldApart.of(
                        List.of("Backing stack harbour low", "Backing stack harbour longest"), 9);
        assertThat(names.values()).containsExactlyInAnyOrder("low", "longest");
    }

    @Test
    void noTwoAreEverTheSameAndNoneIsTooLong() {
        List<String> names = new ArrayList<>(List.of("", " ", "\u202Eabc", "x".repeat(255)));
        for (int i = 0; i < 120; i++) {
            names.add("stack of voices number one take " + "abc".charAt(i % 3) + "x".repeat(i / 3));
        }
        for (int letters : new int[] {4, 6, 9, 14}) {
            Map<String, String> made = ToldApart.of(names, letters);
            assertThat(made).hasSize(names.size());
            assertThat(made.values()).doesNotHaveDuplicates().allMatch(n -> n.length() <= letters);
        }
    }
}
