package aperta.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import java.util.List;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
    /** From the ground up: a package may use those before it. */
    private static final List<String> LINE = List.of(
            "geometry",
            "colour",
            "recipe",
            "time",
            "shot",
            "sound",
            "outline",
            "type",
            "picture",
            "ink",
            "trace",
            "effect",
            "texture",
            "opening",
            "edit",
            "render",
            "proof");

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("aperta.core");

    @Test
    void packagesFormALine() {
        for (int i = 0; i < LINE.size(); i++) {
            String[] later = LINE.subList(i + 1, LINE.size()).stream()
                    .map(p -> "aperta.core." + p + "..")
                    .toArray(String[]::new);
            if (later.length > 0) {
                noClasses()
                        .that()
                        .resideInAPackage("aperta.core." + LINE.get(i) + "..")
                        .should()
                        .dependOnClassesThat()
                        .resideInAnyPackage(later)
                        .check(CORE);
            }
        }
        SlicesRuleDefinition.slices()
                .matching("aperta.core.(*)..")
                .should()
                .beFreeOfCycles()
                .check(CORE);
    }

    @Test
    void everyPackageStandsInTheLine() {
        classes()
                .should()
                .resideInAnyPackage(
                        LINE.stream().map(p -> "aperta.core." + p + "..").toArray(String[]::new))
                .check(CORE);
    }

    @Test
    void coreKnowsNeitherFilesNorNetworkNorClockNorChance() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "java.nio.file..",
                        "java.net..",
                        "java.sql..",
                        "org.springframework..",
                        "jakarta..",
                        "tools.jackson..",
                        "javax.swing..")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.util.Random")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.io.File")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .orShould()
                .callMethod(Math.class, "random")
                .orShould()
                .callMethod(Math.class, "sin", double.class)
                .orShould()
                .callMethod(Math.class, "cos", double.class)
                .orShould()
                .callMethod(Math.class, "exp", double.class)
                .orShould()
                .callMethod(Math.class, "pow", double.class, double.class)
                .check(CORE);
    }
}
