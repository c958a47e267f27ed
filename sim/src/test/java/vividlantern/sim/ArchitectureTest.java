package vividlantern.sim;

import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import org.testng.annotations.Test;

public class ArchitectureTest {

    @Test
    public void theStandInsKnowTheHardwarePortTheRigAndTheSessionOnly() {
        ArchRuleDefinition.noClasses()
                .that()
                .haveSimpleNameNotEndingWith("Test")
                .and()
                .doNotHaveSimpleName("Take")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "vividlantern.mix..", "vividlantern.engine..", "vividlantern.format..", "vividlantern.patch..")
                .check(new ClassFileImporter().importPackages("vividlantern.sim"));
    }
}
