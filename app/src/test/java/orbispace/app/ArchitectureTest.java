package orbispace.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures.LayeredArchitecture;
import java.util.ArrayList;
import java.util.List;

@AnalyzeClasses(packages = "orbispace", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    private static final List<String> SCREENS =
            List.of("song", "orbit", "chain", "clear", "plan", "prove", "sheet");

    @ArchTest
    static final ArchRule THE_ROOMS_OF_THE_APPLICATION_LIE_IN_ORDER =
            order(
                    "orbispace.app.",
                    List.of(
                            List.of("song"),
                            List.of("session"),
                            List.of("listen"),
                            List.of("measuring"),
                            List.of("desk"),
                            List.of("draw", "command"),
                            List.of("view")));

    @ArchTest
    static final ArchRule A_SCREEN_KNOWS_FRAME_AND_CONTROLS_AND_NO_OTHER_SCREEN =
            order("orbispace.app.view.", List.of(List.of("control"), List.of("frame"), SCREENS));

    @ArchTest
    static final ArchRule THE_ROOMS_OF_THE_FILES_LIE_IN_ORDER =
            order(
                    "orbispace.files.",
                    List.of(List.of("sound", "sheet"), List.of("midi", "project")));

    @ArchTest
    static final ArchRule NO_ROOM_IS_IN_A_CIRCLE =
            slices().matching("orbispace.app.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_ROOM_OF_THE_FILES_IS_IN_A_CIRCLE =
            slices().matching("orbispace.files.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule ONLY_THE_WINDOW_KNOWS_THE_WHOLE_DESK =
            noClasses()
                    .that()
                    .resideInAnyPackage("orbispace.app.view.*..", "orbispace.app.desk..")
                    .and()
                    .haveNameNotMatching(".*\\.Desk(\\$.*)?")
                    .should()
                    .dependOnClassesThat()
                    .haveFullyQualifiedName("orbispace.app.desk.Desk");

    @ArchTest
    static final ArchRule MODELS_KNOW_NO_SCENE_GRAPH =
            noClasses()
                    .that()
                    .resideInAnyPackage(
                            "orbispace.app.song..",
                            "orbispace.app.session..",
                            "orbispace.app.listen..",
                            "orbispace.app.measuring..",
                            "orbispace.app.desk..",
                            "orbispace.app.command..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "javafx.scene..",
                            "javafx.stage..",
                            "javafx.application..",
                            "javafx.animation..");

    @ArchTest
    static final ArchRule WHAT_SERVES_THE_COMMAND_LINE_OBSERVES_NOTHING =
            noClasses()
                    .that()
                    .resideInAnyPackage("orbispace.app.song..", "orbispace.app.command..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAPackage("javafx..");

    @ArchTest
    static final ArchRule THE_COMMAND_LINE_KNOWS_SONGS_ALONE =
            noClasses()
                    .that()
                    .resideInAPackage("orbispace.app.command..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "orbispace.app.view..",
                            "orbispace.app.draw..",
                            "orbispace.app.desk..",
                            "orbispace.app.measuring..",
                            "orbispace.app.listen..",
                            "orbispace.app.session..");

    @ArchTest
    static final ArchRule PAINTERS_KNOW_SONGS_ALONE =
            noClasses()
                    .that()
                    .resideInAPackage("orbispace.app.draw..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "orbispace.app.desk..",
                            "orbispace.app.measuring..",
                            "orbispace.app.listen..",
                            "orbispace.app.session..");

    @ArchTest
    static final ArchRule THE_CORE_KNOWS_NOBODY =
            noClasses()
                    .that()
                    .resideInAPackage("orbispace.core..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "orbispace.files..",
                            "orbispace.demo..",
                            "orbispace.app..",
                            "javafx..",
                            "java.awt..");

    @ArchTest
    static final ArchRule FILES_AND_DEMO_KNOW_THE_CORE_ALONE =
            noClasses()
                    .that()
                    .resideInAnyPackage("orbispace.files..", "orbispace.demo..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage("orbispace.app..", "javafx..");

    /** Rooms from the ground up: each may be used by those above its own floor alone. */
    private static ArchRule order(String house, List<List<String>> floors) {
        LayeredArchitecture rooms = layeredArchitecture().consideringOnlyDependenciesInLayers();
        List<String> all = floors.stream().flatMap(List::stream).toList();
        for (String room : all) {
            rooms = rooms.layer(room).definedBy(house + room + "..");
        }
        for (int floor = 0; floor < floors.size(); floor++) {
            List<String> above = new ArrayList<>();
            floors.subList(floor + 1, floors.size()).forEach(above::addAll);
            for (String room : floors.get(floor)) {
                var layer = rooms.whereLayer(room);
                rooms =
                        above.isEmpty()
                                ? layer.mayNotBeAccessedByAnyLayer()
                                : layer.mayOnlyBeAccessedByLayers(above.toArray(String[]::new));
            }
        }
        return rooms;
    }
}
