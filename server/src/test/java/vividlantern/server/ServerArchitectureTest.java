package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The arrows between the packages of the server point one way; what is generated from its classes is left out. */
public class ServerArchitectureTest {

    private JavaClasses server;

    @BeforeClass
    public void read() {
        server = new ClassFileImporter()
                .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                .withImportOption(location -> !location.contains("__") && !location.contains("$$SpringCGLIB"))
                .importPackages("vividlantern.server");
    }

    /** A package, and the packages of the server that it may know. */
    @DataProvider
    public Object[][] arrows() {
        return new Object[][] {
            {"folder", ""},
            {"access", ""},
            {"store", "folder"},
            {"desk", "store,folder"},
            {"page", "desk"},
            {"live", "desk,store"},
            {"demo", "live,desk,store,folder"},
        };
    }

    @Test(dataProvider = "arrows")
    public void aPackageKnowsOnlyWhatStandsBeforeIt(String name, String known) {
        String[] packages = Stream.concat(Stream.of(name), Stream.of(known.split(",")))
                .filter(each -> !each.isEmpty())
                .map(each -> "vividlantern.server." + each + "..")
                .toArray(String[]::new);
        ArchRuleDefinition.noClasses()
                .that()
                .resideInAPackage("vividlantern.server." + name + "..")
                .should()
                .dependOnClassesThat(DescribedPredicate.and(
                        JavaClass.Predicates.resideInAPackage("vividlantern.server.."),
                        JavaClass.Predicates.resideOutsideOfPackages(packages)))
                .check(server);
    }

    @Test
    public void noPackageHasMoreThanFortyFiles() {
        Map<String, Long> files = server.stream()
                .filter(JavaClass::isTopLevelClass)
                .collect(Collectors.groupingBy(JavaClass::getPackageName, Collectors.counting()));
        assertThat(files.values()).allMatch(count -> count <= 40);
    }
}
