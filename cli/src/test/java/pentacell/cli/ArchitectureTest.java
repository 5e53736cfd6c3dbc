package pentacell.cli;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaAccess.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.equivalentTo;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameMatching;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Named;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.journal.Fact;

/// The borders between the rooms.
final class ArchitectureTest {
    private static final JavaClasses PROGRAM =
            new ClassFileImporter()
                    .withImportOption(new ImportOption.DoNotIncludeTests())
                    .importPackages("pentacell");

    private static final String[] STATIONS = {
        "pentacell.core.harvest",
        "pentacell.core.intake",
        "pentacell.core.test",
        "pentacell.core.stock",
        "pentacell.core.plan",
        "pentacell.core.match",
        "pentacell.core.build",
        "pentacell.core.prove",
        "pentacell.core.service"
    };

    /// What the facts of a station are made of; those of the others are in the shared vocabulary.
    private static final String FACTS = "pentacell.core.*.facts..";

    private static final String[] VOCABULARY = {
        "pentacell.core.cell..",
        "pentacell.core.donor..",
        "pentacell.core.imports..",
        "pentacell.core.pack..",
        "pentacell.core.school.."
    };

    private static final String[] SHARED = {
        "pentacell.core",
        "pentacell.core.caution..",
        "pentacell.core.circuit..",
        "pentacell.core.conductor..",
        "pentacell.core.journal..",
        "pentacell.core.judgement..",
        "pentacell.core.line..",
        "pentacell.core.measure..",
        "pentacell.core.state..",
        "pentacell.core.unit.."
    };

    private static final String[] ENGINES =
            with(STATIONS, "pentacell.core.measure..", "pentacell.core.circuit..");

    private static String[] with(String[] some, String... more) {
        return Stream.concat(Stream.of(some), Stream.of(more)).toArray(String[]::new);
    }

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
                        slices().matching("pentacell.core.(**)").should().beFreeOfCycles()),
                Named.of(
                        "core is the nine stations, their facts, the vocabulary and shared engines",
                        classes()
                                .that()
                                .resideInAPackage("pentacell.core..")
                                .should()
                                .resideInAnyPackage(
                                        with(with(STATIONS, FACTS), with(VOCABULARY, SHARED)))),
                Named.of(
                        "the journal knows no trade, the state only the journal",
                        classes()
                                .that()
                                .resideInAnyPackage(
                                        "pentacell.core.journal..", "pentacell.core.state..")
                                .should()
                                .onlyDependOnClassesThat()
                                .resideInAnyPackage(
                                        "java..",
                                        "org.jspecify..",
                                        "pentacell.core.journal..",
                                        "pentacell.core.state..")),
                Named.of(
                        "engines know records and slices, never facts",
                        noClasses()
                                .that()
                                .resideInAnyPackage(ENGINES)
                                .and()
                                .resideOutsideOfPackages(
                                        "pentacell.core.harvest..",
                                        "pentacell.core.intake..",
                                        "pentacell.core.measure..")
                                // what is typed, and a move, becomes facts
                                .and()
                                .haveSimpleNameNotEndingWith("Line")
                                .and()
                                .doNotHaveSimpleName("Shelf")
                                .should()
                                .dependOnClassesThat()
                                .areAssignableTo(Fact.class)),
                Named.of(
                        "what is in the file is vocabulary, not an engine's own",
                        noClasses()
                                .that()
                                .resideInAnyPackage(with(VOCABULARY, FACTS))
                                .should()
                                .dependOnClassesThat()
                                .resideInAnyPackage(ENGINES)),
                Named.of(
                        "stations know not each other",
                        slices().matching("pentacell.desktop.(*)..")
                                .namingSlices("$1")
                                .as("stations")
                                .should()
                                .notDependOnEachOther()
                                .ignoreDependency(
                                        resideInAnyPackage("pentacell.desktop.."),
                                        resideInAnyPackage(
                                                "pentacell.desktop.donor..",
                                                "pentacell.desktop.faces..",
                                                "pentacell.desktop.frame..",
                                                "pentacell.desktop.kit..",
                                                "pentacell.desktop.theme.."))),
                Named.of(
                        "the frame names no station",
                        noClasses()
                                .that()
                                .resideInAnyPackage(
                                        "pentacell.desktop.donor..",
                                        "pentacell.desktop.frame..",
                                        "pentacell.desktop.kit..",
                                        "pentacell.desktop.theme..")
                                .should()
                                .dependOnClassesThat(
                                        resideInAPackage("pentacell.desktop..")
                                                .and(
                                                        not(
                                                                resideInAnyPackage(
                                                                        "pentacell.desktop.donor..",
                                                                        "pentacell.desktop.frame..",
                                                                        "pentacell.desktop.kit..",
                                                                        "pentacell.desktop.theme.."))))),
                // computing: statistics, powers and roots; scaling of drawings stays in the kit
                Named.of(
                        "no computation in the interface",
                        noClasses()
                                .that()
                                .resideInAPackage("pentacell.desktop..")
                                .and()
                                .resideOutsideOfPackage("pentacell.desktop.kit..")
                                .should()
                                .dependOnClassesThat()
                                .resideInAnyPackage("org.hipparchus..", "pentacell.core.circuit..")
                                .orShould()
                                .callMethodWhere(
                                        target(owner(equivalentTo(Math.class)))
                                                .and(
                                                        target(
                                                                nameMatching(
                                                                        "pow|sqrt|exp|log|log10|cbrt|hypot|sin|cos|tan|atan2?|fma"))))),
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
                        "core computes with nothing but java.base, statistics and matrices",
                        classes()
                                .that()
                                .resideInAPackage("pentacell.core..")
                                .should()
                                .onlyDependOnClassesThat()
                                .resideInAnyPackage(
                                        "java..",
                                        "pentacell.core..",
                                        "org.ejml..",
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
                                .doNotHaveSimpleName("TradeOff")
                                .should()
                                .notHaveModifier(JavaModifier.PUBLIC)));
    }

    @Test
    @DisplayName("no two classes of the program have the same name")
    void aNameMeansOneThing() {
        Map<String, Long> names =
                PROGRAM.stream()
                        .filter(each -> each.isTopLevelClass())
                        .map(JavaClass::getSimpleName)
                        .filter(name -> !name.equals("package-info"))
                        .collect(Collectors.groupingBy(each -> each, Collectors.counting()));
        names.values().removeIf(count -> count == 1);
        assertEquals(Map.of(), names);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("rules")
    void bordersHold(ArchRule rule) {
        rule.check(PROGRAM);
    }
}
