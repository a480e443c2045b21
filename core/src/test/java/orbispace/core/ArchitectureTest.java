package orbispace.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures.LayeredArchitecture;
import java.util.List;

@AnalyzeClasses(packages = "orbispace.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    private static final List<String> GROUND_TO_ROOF =
            List.of(
                    "words",
                    "time",
                    "audio",
                    "signal",
                    "dynamics",
                    "space",
                    "hearing",
                    "measure",
                    "material",
                    "design",
                    "intake",
                    "render",
                    "clear",
                    "draft",
                    "bank",
                    "plan",
                    "prove",
                    "ears");

    @ArchTest
    static final ArchRule KNOWS_NO_INTERFACE_CODE =
            noClasses()
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "javafx..",
                            "java.awt..",
                            "javax.swing..",
                            "org.slf4j..",
                            "java.util.logging..");

    @ArchTest
    static final ArchRule HAS_NO_CYCLES =
            slices().matching("orbispace.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_ROOM_OF_THE_PROOFS_IS_IN_A_CIRCLE =
            slices().matching("orbispace.core.prove.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule PROOFS_LIE_IN_ORDER =
            layeredArchitecture()
                    .consideringOnlyDependenciesInLayers()
                    .layer("log")
                    .definedBy("orbispace.core.prove.log..")
                    .layer("stem")
                    .definedBy("orbispace.core.prove.stem..")
                    .layer("rule")
                    .definedBy("orbispace.core.prove.rule..")
                    .layer("compare")
                    .definedBy("orbispace.core.prove.compare..")
                    .layer("court")
                    .definedBy("orbispace.core.prove.court..")
                    .whereLayer("log")
                    .mayNotBeAccessedByAnyLayer()
                    .whereLayer("stem")
                    .mayOnlyBeAccessedByLayers("rule")
                    .whereLayer("rule")
                    .mayOnlyBeAccessedByLayers("court")
                    .whereLayer("court")
                    .mayNotBeAccessedByAnyLayer()
                    .whereLayer("compare")
                    .mayNotBeAccessedByAnyLayer();

    @ArchTest static final ArchRule USES_ONLY_WHAT_LIES_BELOW = layers();

    private static ArchRule layers() {
        LayeredArchitecture layers = layeredArchitecture().consideringOnlyDependenciesInLayers();
        for (String name : GROUND_TO_ROOF) {
            layers = layers.layer(name).definedBy("orbispace.core." + name + "..");
        }
        for (int i = 0; i < GROUND_TO_ROOF.size(); i++) {
            String[] above =
                    GROUND_TO_ROOF.subList(i + 1, GROUND_TO_ROOF.size()).toArray(String[]::new);
            var layer = layers.whereLayer(GROUND_TO_ROOF.get(i));
            layers =
                    above.length == 0
                            ? layer.mayNotBeAccessedByAnyLayer()
                            : layer.mayOnlyBeAccessedByLayers(above);
        }
        return layers;
    }
}
