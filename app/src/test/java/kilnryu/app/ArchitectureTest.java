package kilnryu.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The house rules: what may know what. */
@AnalyzeClasses(packages = "kilnryu", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule coreKnowsNoFramework = noClasses()
            .that()
            .resideInAPackage("kilnryu.core..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "jakarta..", "java.sql..", "tools.jackson..", "kilnryu.app..");

    @ArchTest
    static final ArchRule coreHasNoClockOfItsOwn = noClasses()
            .that()
            .resideInAPackage("kilnryu.core..")
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.ZonedDateTime.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis");

    @ArchTest
    static final ArchRule noCyclesInTheCore =
            slices().matching("kilnryu.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule noCyclesInTheApplication =
            slices().matching("kilnryu.app.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule onlyStoresSpeakToTheDatabase = noClasses()
            .that()
            .haveSimpleNameNotEndingWith("Store")
            .and()
            .haveNameNotMatching(".*Store\\$.*")
            // written by the build beside the classes, to make their beans
            .and()
            .haveNameNotMatching(".*Store__.*")
            // tells from a failure that the database is away, and asks it nothing
            .and()
            .doNotHaveFullyQualifiedName("kilnryu.app.web.Away")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("java.sql..", "org.springframework.jdbc..");

    @ArchTest
    static final ArchRule controllersDoNoArithmeticOfTheTrade = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .should()
            .callMethodWhere(com.tngtech.archunit.core.domain.JavaCall.Predicates.target(
                            com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameMatching("by|total"))
                    .and(com.tngtech.archunit.core.domain.JavaCall.Predicates.target(
                            com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner(
                                    com.tngtech.archunit.core.domain.JavaClass.Predicates.assignableTo(
                                            kilnryu.core.sum.Figure.Computation.class)))));

    @ArchTest
    static final ArchRule storesAreNamedSo = classes()
            .that()
            .areAnnotatedWith(org.springframework.stereotype.Repository.class)
            .should()
            .haveSimpleNameEndingWith("Store");

    @ArchTest
    static final ArchRule theStagesFollowTheWork = noClasses()
            .that()
            .resideInAPackage("kilnryu.core.tree..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("kilnryu.core.flask..", "kilnryu.core.burnout..");
}
