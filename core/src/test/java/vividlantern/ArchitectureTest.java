package vividlantern;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.util.Arrays;
import java.util.Map;
import java.util.stream.Collectors;
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
            {"basics", "basics"},
            {"units", "units,kernel"},
            {"hardware", "hardware,kernel,units,basics"},
            {"history", "history,basics"},
            {"rig", "rig,history,units,basics"},
            {"session", "session,history,rig,units,basics"},
            {"patch", "patch,history,session,rig,units,basics"},
            {"click", "click,session,history,units,basics"},
            {"ears", "ears,session,rig,history,units,basics"},
            {"loudness", "loudness"},
            {"sound", "sound,history,units,basics"},
            {"playback", "playback,sound,click,session,units,basics"},
            {"mix", "mix,kernel,ears,history,playback,click,hardware,session,rig,units,basics"},
            {"preamp", "preamp,patch,history,hardware,session,rig,units,basics"},
            {
                "engine",
                "engine,kernel,ears,loudness,history,mix,playback,click,preamp,patch,hardware,session,rig,units,basics"
            },
            {"timing", "timing,engine,mix,patch,hardware,history,session,rig,units,basics"},
            {
                "readiness",
                "readiness,ears,timing,engine,mix,playback,preamp,patch,hardware,history,session,rig,units,basics"
            },
            {"template", "template,patch,history,session,rig,units,basics"},
            {"format", "format,template,history,engine,mix,click,patch,session,rig,units,basics"},
            {"media", "media,sound,playback,history,session,units,basics"},
        };
    }

    @Test(dataProvider = "arrows")
    public void aPackageKnowsOnlyWhatStandsBeforeIt(String name, String known) {
        String[] packages = Arrays.stream(known.split(","))
                .map(each -> "vividlantern." + each + "..")
                .toArray(String[]::new);
        ArchRuleDefinition.noClasses()
                .that()
                .resideInAPackage("vividlantern." + name + "..")
                .should()
                .dependOnClassesThat(DescribedPredicate.and(
                        JavaClass.Predicates.resideInAPackage("vividlantern.."),
                        JavaClass.Predicates.resideOutsideOfPackages(packages)))
                .check(core);
    }

    /** A package inside another one, and that other one's own classes, which must not know it; or the other way round. */
    @DataProvider
    public Object[][] inner() {
        return new Object[][] {
            {"vividlantern.session", "vividlantern.session.edit"},
            {"vividlantern.session.chain", "vividlantern.session.edit"},
            {"vividlantern.session.chain", "vividlantern.session.cue"},
            {"vividlantern.rig", "vividlantern.rig.edit"},
            {"vividlantern.mix.effects", "vividlantern.mix"},
        };
    }

    @Test(dataProvider = "inner")
    public void insideAPackageArrowsPointOneWayToo(String name, String unknown) {
        ArchRuleDefinition.noClasses()
                .that()
                .resideInAPackage(name)
                .should()
                .dependOnClassesThat()
                .resideInAPackage(unknown)
                .check(core);
    }

    /** More than anybody can overlook get rooms inside. */
    @Test
    public void noPackageHasMoreThanFortyFiles() {
        Map<String, Long> files = core.stream()
                .filter(JavaClass::isTopLevelClass)
                .collect(Collectors.groupingBy(JavaClass::getPackageName, Collectors.counting()));
        assertThat(files.values()).allMatch(count -> count <= 40);
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
