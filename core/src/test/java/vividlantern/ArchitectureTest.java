package vividlantern;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The arrows between packages point one way. */
public class ArchitectureTest {

    private JavaClasses core;

    @BeforeClass
    public void read() {
        core = new ClassFileImporter()
                .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                .importPackages("vividlantern");
    }

    @Test
    public void noPackagesDependOnEachOtherInACircle() {
        slices().matching("vividlantern.(*)..").should().beFreeOfCycles().check(core);
    }

    /** A package, and the packages of ours that it may know. */
    @DataProvider
    public Object[][] arrows() {
        return new Object[][] {
            {"kernel", "kernel"},
            {"units", "units,kernel"},
            {"hardware", "hardware,kernel,units"},
            {"history", "history"},
            {"rig", "rig,history,units"},
            {"session", "session,history,rig,units"},
            {"patch", "patch,history,session,rig,units"},
            {"click", "click,session,history,units"},
            {"playback", "playback,click,session,units"},
            {"mix", "mix,kernel,history,playback,click,hardware,session,rig,units"},
            {"preamp", "preamp,patch,history,hardware,session,rig,units"},
            {"engine", "engine,kernel,history,mix,playback,click,preamp,patch,hardware,session,rig,units"},
            {"timing", "timing,engine,mix,patch,hardware,history,session,rig,units"},
            {"readiness", "readiness,timing,engine,mix,playback,preamp,patch,hardware,history,session,rig,units"},
            {"template", "template,patch,history,session,rig,units"},
            {"format", "format,template,history,engine,mix,click,patch,session,rig,units"},
            {"media", "media,format,playback,history,session,units"},
        };
    }

    @Test(dataProvider = "arrows")
    public void aPackageKnowsOnlyWhatStandsBeforeIt(String name, String known) {
        String[] packages = java.util.Arrays.stream(known.split(","))
                .map(each -> "vividlantern." + each + "..")
                .toArray(String[]::new);
        ArchRuleDefinition.noClasses()
                .that()
                .resideInAPackage("vividlantern." + name + "..")
                .should()
                .dependOnClassesThat(com.tngtech.archunit.base.DescribedPredicate.and(
                        com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage("vividlantern.."),
                        com.tngtech.archunit.core.domain.JavaClass.Predicates.resideOutsideOfPackages(packages)))
                .check(core);
    }

    @Test
    public void theJobKnowsNeitherWebNorDatabaseNorSpring() {
        ArchRuleDefinition.noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework..", "jakarta..", "java.sql..", "java.net..", "javax.swing..")
                .check(core);
    }
}
