package pentacell.cli;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import java.util.stream.Stream;
import org.junit.jupiter.api.Named;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/// The borders between the rooms.
final class ArchitectureTest {
    private static final JavaClasses PROGRAM =
            new ClassFileImporter()
                    .withImportOption(new ImportOption.DoNotIncludeTests())
                    .importPackages("pentacell");

    static Stream<Named<ArchRule>> rules() {
        return Stream.of(
                Named.of(
                        "each room uses only those above it",
                        layeredArchitecture()
                                .consideringOnlyDependenciesInLayers()
                                .layer("core")
                                .definedBy("pentacell.core..")
                                .layer("workshop")
                                .definedBy("pentacell.workshop..")
                                .layer("instruments")
                                .definedBy("pentacell.instruments..")
                                .layer("reports")
                                .definedBy("pentacell.reports..")
                                .layer("desktop")
                                .definedBy("pentacell.desktop..")
                                .layer("cli")
                                .definedBy("pentacell.cli..")
                                .whereLayer("cli")
                                .mayNotBeAccessedByAnyLayer()
                                .whereLayer("desktop")
                                .mayOnlyBeAccessedByLayers("cli")
                                .whereLayer("instruments")
                                .mayOnlyBeAccessedByLayers("desktop", "cli")
                                .whereLayer("reports")
                                .mayOnlyBeAccessedByLayers("desktop", "cli")
                                .whereLayer("workshop")
                                .mayOnlyBeAccessedByLayers("instruments", "desktop", "cli")),
                Named.of(
                        "no cycles in core",
                        slices().matching("pentacell.core.(*)..").should().beFreeOfCycles()),
                Named.of(
                        "core neither reads nor writes nor shows anything",
                        noClasses()
                                .that()
                                .resideInAPackage("pentacell.core..")
                                .should()
                                .dependOnClassesThat()
                                .resideInAnyPackage(
                                        "java.io..",
                                        "java.nio..",
                                        "java.net..",
                                        "java.sql..",
                                        "javax..",
                                        "javafx..",
                                        "tools.jackson..",
                                        "org.slf4j..",
                                        "pentacell.workshop..")),
                Named.of(
                        "core computes with nothing but java.base and its statistics",
                        classes()
                                .that()
                                .resideInAPackage("pentacell.core..")
                                .should()
                                .onlyDependOnClassesThat()
                                .resideInAnyPackage(
                                        "java..",
                                        "pentacell.core..",
                                        "org.hipparchus..",
                                        "org.jspecify..")),
                Named.of(
                        "time comes into core as an argument",
                        noClasses()
                                .that()
                                .resideInAPackage("pentacell.core..")
                                .should()
                                .callMethod(java.time.Instant.class, "now")
                                .orShould()
                                .callMethod(System.class, "currentTimeMillis")
                                .orShould()
                                .callMethod(System.class, "nanoTime")),
                Named.of(
                        "one way off the UI thread and back",
                        noClasses()
                                .that()
                                .doNotHaveFullyQualifiedName("pentacell.desktop.kit.Background")
                                .should()
                                .callMethod(
                                        "javafx.application.Platform",
                                        "runLater",
                                        "java.lang.Runnable")),
                Named.of(
                        "looks come from the style sheets",
                        noClasses()
                                .that()
                                .resideInAPackage("pentacell..")
                                .should()
                                .callMethod("javafx.scene.Node", "setStyle", "java.lang.String")),
                Named.of(
                        "nothing prints stack traces at people",
                        noClasses().should().callMethod(Throwable.class, "printStackTrace")),
                Named.of(
                        "the matcher's parts stay inside",
                        classes()
                                .that()
                                .resideInAPackage("pentacell.core.match")
                                .and()
                                .haveSimpleNameNotContaining("Match")
                                .and()
                                .haveSimpleNameNotContaining("Search")
                                .and()
                                .areTopLevelClasses()
                                .and()
                                .doNotHaveSimpleName("Candidate")
                                .and()
                                .doNotHaveSimpleName("CapacityBounds")
                                .and()
                                .doNotHaveSimpleName("Selection")
                                .and()
                                .doNotHaveSimpleName("TradeOff")
                                .should()
                                .notHaveModifier(JavaModifier.PUBLIC)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("rules")
    void bordersHold(ArchRule rule) {
        rule.check(PROGRAM);
    }
}
