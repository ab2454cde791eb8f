package aperta.media;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
    @Test
    void mediaUsesCoreAndNothingAboveIt() {
        var media = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests())
                .importPackages("aperta.media");
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("aperta.server..", "org.springframework..", "java.net..", "java.sql..")
                .check(media);
        SlicesRuleDefinition.slices()
                .matching("aperta.media.(*)..")
                .should()
                .beFreeOfCycles()
                .check(media);
    }
}
