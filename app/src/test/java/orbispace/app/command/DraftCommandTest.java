package orbispace.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import orbispace.app.Songs;
import orbispace.core.design.Design;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.files.project.ProjectFile;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Drafts and banks on the command line. */
class DraftCommandTest extends CommandCase {
    private Path project() throws Exception {
        return Songs.write(folder);
    }

    private Path to(String name) {
        return folder.resolve("out").resolve(name + ProjectFile.SUFFIX);
    }

    @Test
    void theBestDraftIsWrittenAndToldWithItsRule() throws Exception {
        Path out = to("drafted");
        JsonNode j = run("draft", project().toString(), "--out", out.toString(), "--json").json();
        assertThat(j.path("school").asString()).isIn("shared", "layers", "depths", "late");
        assertThat(j.path("rule").asString()).contains("findings left and states missed");
        Design drafted = ProjectFile.read(out).design();
        List<String> ids = new ArrayList<>();
        for (JsonNode r : j.path("returns")) {
            ids.add(r.path("id").asString());
            Return written = drafted.requireReturn(r.path("id").asString());
            assertThat(written.levelDb()).isEqualTo(r.path("levelDb").asDouble());
            assertThat(Purposes.of(drafted, written).label())
                    .isEqualTo(r.path("purpose").asString());
            assertThat(r.path("why").asString()).contains(r.path("reached").asString());
            boolean met = r.path("reached").asString().equals(r.path("asked").asString());
            assertThat(met || r.path("why").asString().contains(", not ")).isTrue();
        }
        assertThat(ids).isEqualTo(drafted.returns().stream().map(Return::id).toList()).isNotEmpty();
    }

    @Test
    void aSchoolIsDraftedAloneAndAWrongOneIsRefused() throws Exception {
        String song = project().toString();
        Outcome late = run("draft", song, "--school", "late", "--out", to("late").toString());
        assertThat(late.status()).isZero();
        assertThat(late.out()).contains("Long, dark and late", "Late hall", "% of the loudness");
        assertOneLine(
                run("draft", song, "--school", "grand", "--out", to("x").toString()),
                2,
                "shared, layers, depths, late");
        assertOneLine(run("draft", song, "--out", to("late").toString()), 1, "is there already");
        assertOneLine(run("draft", song, "--out", song), 1, "is there already");
    }

    @Test
    void aFieldIsKeptListedAndLaidAgain() throws Exception {
        Path song = project();
        Path bank = folder.resolve("mine.orbispace-bank.json");
        JsonNode kept =
                run("bank", "keep", song.toString(), "--bank", bank.toString(), "--json").json();
        String name = kept.path("entries").get(0).path("name").asString();
        assertThat(kept.path("entries").get(0).path("relations").path("asked").asString())
                .isEqualTo("felt");
        run("bank", "keep", song.toString(), "--bank", bank.toString(), "--return", "B");
        JsonNode listed = run("bank", "list", bank.toString(), "--json").json();
        assertThat(listed.path("entries")).hasSize(kept.path("entries").size() + 1);
        Path out = to("laid");
        JsonNode laid =
                run(
                                "bank",
                                "lay",
                                song.toString(),
                                "--bank",
                                bank.toString(),
                                "--entry",
                                name,
                                "--out",
                                out.toString(),
                                "--json")
                        .json();
        assertThat(laid.path("returns")).isNotEmpty();
        for (JsonNode r : laid.path("returns")) {
            assertThat(r.path("reached").asString()).isEqualTo(r.path("asked").asString());
        }
        assertThat(ProjectFile.read(out).design().returns()).hasSize(laid.path("returns").size());
    }

    @Test
    void startingPointsAndHabitsAreLaid() throws Exception {
        String song = project().toString();
        Outcome fog =
                run("bank", "lay", song, "--entry", "fog bank", "--out", to("fog").toString());
        assertThat(fog.err()).isEmpty();
        assertThat(fog.out()).contains("Fog bank", "dB down at the gap");
        Outcome manner =
                run("bank", "lay", song, "--manner", song, song, "--out", to("mine").toString());
        assertThat(manner.err()).isEmpty();
        assertThat(manner.out()).contains("you usually");
        assertThat(Files.exists(to("mine"))).isTrue();
    }

    @Test
    void whatCannotBeLaidIsToldInOneLine() throws Exception {
        String song = project().toString();
        String out = to("x").toString();
        assertOneLine(run("bank"), 2, "list, keep or lay");
        assertOneLine(run("bank", "lay", song, "--out", out), 2, "--entry, --from and --manner");
        assertOneLine(
                run("bank", "lay", song, "--entry", "nowhere", "--out", out),
                1,
                "no entry is called",
                "Breakwater");
        assertOneLine(run("bank", "list", song), 1, "is no bank");
        assertOneLine(
                run("bank", "keep", song, "--bank", folder.resolve("a.json").toString()),
                2,
                ".orbispace-bank.json");
    }
}
