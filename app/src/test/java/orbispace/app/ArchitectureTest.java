package orbispace.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "orbispace", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule VIEW_MODELS_KNOW_NO_SCENE_GRAPH =
            noClasses()
                    .that()
                    .resideInAnyPackage(
                            "orbispace.app.session..",
                            "orbispace.app.listen..",
                            "orbispace.app.command..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "javafx.scene..",
                            "javafx.stage..",
                            "javafx.application..",
                            "javafx.animation..");

    @ArchTest
    static final ArchRule THE_COMMAND_LINE_KNOWS_NO_VIEW =
            noClasses()
                    .that()
                    .resideInAPackage("orbispace.app.command..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage("orbispace.app.view..", "orbispace.app.draw..");

    @ArchTest
    static final ArchRule PAINTERS_KNOW_NO_VIEW =
            noClasses()
                    .that()
                    .resideInAPackage("orbispace.app.draw..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAPackage("orbispace.app.view..");

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

    @ArchTest
    static final ArchRule HAS_NO_CYCLES =
            slices().matching("orbispace.app.(*)..").should().beFreeOfCycles();
}
