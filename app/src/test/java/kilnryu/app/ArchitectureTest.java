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

    /** A sum of the trade has its formula in the core, where it is tested against a sum by hand. */
    @ArchTest
    static final ArchRule noFormulaOutsideTheCore = noClasses()
            .that()
            .resideInAPackage("kilnryu.app..")
            .should()
            .dependOnClassesThat()
            .areAssignableTo(kilnryu.core.sum.Formula.class);

    /** Powers and roots are of the trade too, but where a picture is drawn or a device is feigned. */
    @ArchTest
    static final ArchRule noPowersOutsideTheCore = noClasses()
            .that()
            .resideInAPackage("kilnryu.app..")
            .and()
            .haveNameNotMatching(".*(Drawing|Simulated\\w+|Chart|Strip|Sculptor|Portrait)(\\$.*)?")
            .should()
            .callMethodWhere(com.tngtech.archunit.core.domain.JavaCall.Predicates.target(
                            com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner(
                                    com.tngtech.archunit.core.domain.JavaClass.Predicates.equivalentTo(Math.class)))
                    .and(com.tngtech.archunit.core.domain.JavaCall.Predicates.target(
                            com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameMatching(
                                    "pow|sqrt|cbrt|exp|log|log10"))));

    @ArchTest
    static final ArchRule storesAreNamedSo = classes()
            .that()
            .areAnnotatedWith(org.springframework.stereotype.Repository.class)
            .should()
            .haveSimpleNameEndingWith("Store");

    /**
     * A field of a sheet is read by its declaration, so that form, API and schema say the same of it. Constants, the rules of
     * schools and the small questions of one tap have no sheet.
     */
    @ArchTest
    static final ArchRule fieldsAreReadByTheirDeclaration = noClasses()
            .that()
            .resideOutsideOfPackage("kilnryu.app.sheet..")
            .and()
            .haveNameNotMatching(
                    ".*\\.(BreakOutTaps|WaxTaps|PatternTaps|RubberTaps|FinishPage|FinishController|MatingController"
                            + "|CoolingController|DayController|ChargeController|PotController|MixController|SessionController"
                            + "|LogController|RoomController|LessonController|Layouts|OwnSchool|SchoolController|FactorController)(\\$.*)?")
            .should()
            .callMethodWhere(com.tngtech.archunit.core.domain.JavaCall.Predicates.target(
                            com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner(
                                    com.tngtech.archunit.core.domain.JavaClass.Predicates.equivalentTo(
                                            kilnryu.app.sheet.Fields.class)))
                    .and(com.tngtech.archunit.core.domain.JavaCall.Predicates.target(
                            com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameMatching(
                                    "quantity|required|whole|text|choice")))
                    .and(com.tngtech.archunit.core.domain.JavaCall.Predicates.target(
                            com.tngtech.archunit.core.domain.properties.HasParameterTypes.Predicates.rawParameterTypes(
                                    com.tngtech.archunit.base.DescribedPredicate.describe(
                                            "a path as text",
                                            types -> !types.isEmpty()
                                                    && types.get(0).isEquivalentTo(String.class))))));

    @ArchTest
    static final ArchRule theStagesFollowTheWork = noClasses()
            .that()
            .resideInAPackage("kilnryu.core.tree..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("kilnryu.core.flask..", "kilnryu.core.burnout..");
}
