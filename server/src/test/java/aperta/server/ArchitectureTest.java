package aperta.server;

import static com.tngtech.archunit.base.DescribedPredicate.describe;
import static com.tngtech.archunit.core.domain.JavaAccess.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.assignableTo;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The walls between the modules. */
class ArchitectureTest {
    @Test
    void theCraftKnowsNothingOfTheServer() {
        var all = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests())
                .importPackages("aperta.core", "aperta.media", "aperta.vision", "aperta.server");
        noClasses()
                .that()
                .resideInAnyPackage("aperta.core..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "aperta.media..", "aperta.vision..", "aperta.server..", "org.springframework..", "jakarta..")
                .check(all);
        noClasses()
                .that()
                .resideInAnyPackage("aperta.media..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("aperta.server..", "org.springframework..")
                .check(all);
        noClasses()
                .that()
                .resideOutsideOfPackage("aperta.vision..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.opencv..", "nu.pattern..")
                .check(all);
    }

    /** What isn't held there may be freed while native code works on it. */
    @Test
    void matricesOfTheVisionLibraryAreHeldInOnePlace() {
        String matrix = "org.opencv.core.Mat";
        noClasses()
                .that()
                .doNotHaveFullyQualifiedName("aperta.vision.Mats")
                .should()
                .callConstructorWhere(target(owner(assignableTo(matrix))))
                .orShould()
                .callMethodWhere(describe(
                        "a matrix gives another",
                        call -> call.getTargetOwner().isAssignableTo(matrix)
                                && call.getTarget().getRawReturnType().isAssignableTo(matrix)))
                .check(new ClassFileImporter()
                        .withImportOption(new ImportOption.DoNotIncludeTests())
                        .importPackages("aperta.vision"));
    }
}
