package kilnryu.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Supplier;
import kilnryu.app.account.Account;
import kilnryu.app.blend.BlendReader;
import kilnryu.app.diagnosis.DiagnoseQuestionReader;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.freezing.FreezeQuestionReader;
import kilnryu.app.kiln.CarryQuestionReader;
import kilnryu.app.kiln.FiringQuestionReader;
import kilnryu.app.kiln.ProgramQuestionReader;
import kilnryu.app.melt.ChargeQuestionReader;
import kilnryu.app.melt.MeltQuestionReader;
import kilnryu.app.mold.BlockReader;
import kilnryu.app.mold.MoldReader;
import kilnryu.app.plan.ContractFigures;
import kilnryu.app.plan.PlanDocument;
import kilnryu.app.plan.Plans;
import kilnryu.app.rubber.RubberQuestionReader;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Paths;
import kilnryu.app.shell.ShellReader;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.app.tree.TreeReader;
import kilnryu.app.wax.SlushQuestionReader;
import kilnryu.app.web.Answer;
import kilnryu.app.web.Units;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.flask.SchoolChecks;
import kilnryu.core.kiln.Watch;
import kilnryu.core.material.Blend;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.TreePlan;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/**
 * Stateless computations. Left-out fields take the handbook's defaults, or what the account's studio put in their
 * place.
 */
@RestController
@RequestMapping(path = "/api/compute", produces = MediaType.APPLICATION_JSON_VALUE)
class ComputeController {
    private final FactorStore factors;

    private final Plans plans;

    private final Simulations simulations;

    ComputeController(FactorStore factors, Plans plans, Simulations simulations) {
        this.simulations = simulations;
        this.factors = factors;
        this.plans = plans;
    }

    @Operation(summary = "Volume, metal and charge of a tree")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(content = @Content(schema = @Schema(ref = Declarations.TREE)))
    @PostMapping(path = "/tree", consumes = MediaType.APPLICATION_JSON_VALUE)
    Answer tree(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return answer(account, body, TreeReader::read, ComputeController::answer);
    }

    @Operation(summary = "Powder, water and working time of a flask")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.FLASK)))
    @PostMapping(path = "/flask", consumes = MediaType.APPLICATION_JSON_VALUE)
    Answer flask(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        Factors own = factors.of(account.studioId());
        return answer(
                account,
                body,
                MoldReader::read,
                plan -> Answer.of(
                        ContractFigures.of(plan),
                        plan.findings().and(SchoolChecks.timing(plan, MixSchool.VACUUM, own))));
    }

    @Operation(summary = "Body, mixes, masses and cure of a free-standing investment block")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.BLOCK)))
    @PostMapping(path = "/block", consumes = MediaType.APPLICATION_JSON_VALUE)
    Answer block(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return answer(account, body, BlockReader::read, ComputeController::answer);
    }

    @Operation(summary = "Density, yield and warnings of an investment blend")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.BLEND)))
    @PostMapping(path = "/blend", consumes = MediaType.APPLICATION_JSON_VALUE)
    Answer blend(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return answer(account, body, ComputeController::blend, ComputeController::answer);
    }

    @Operation(summary = "Coats, mass, drying and strength of a ceramic shell")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.SHELL)))
    @PostMapping(path = "/shell", consumes = MediaType.APPLICATION_JSON_VALUE)
    ShellAnswer shell(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return answer(account, body, ShellReader::read, ShellAnswer::of);
    }

    @Operation(summary = "A burnout as it is foreseen: the middle of a flask, its water, strain and residue")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.BURNOUT)))
    @PostMapping(path = "/burnout", consumes = MediaType.APPLICATION_JSON_VALUE)
    FiringAnswer burnout(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return simulated(account, body, FiringQuestionReader::read, FiringAnswer::of, "a burnout");
    }

    @Operation(summary = "A burnout program by a school, its holds as long as the simulation asks")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.PROGRAM)))
    @PostMapping(path = "/program", consumes = MediaType.APPLICATION_JSON_VALUE)
    ProgramAnswer program(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return simulated(account, body, ProgramQuestionReader::read, ProgramAnswer::of, "a program");
    }

    @Operation(summary = "The cheapest charge from a store whose make-up after the melt lies in the alloy's bands")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.CHARGE)))
    @PostMapping(path = "/charge", consumes = MediaType.APPLICATION_JSON_VALUE)
    MeltAnswers charge(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return simulated(account, body, ChargeQuestionReader::read, MeltAnswers::of, "a charge");
    }

    @Operation(summary = "Tap, heat, time and heats of a melt")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(content = @Content(schema = @Schema(ref = Declarations.MELT)))
    @PostMapping(path = "/melt", consumes = MediaType.APPLICATION_JSON_VALUE)
    MeltAnswers melt(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return answer(account, body, MeltQuestionReader::read, MeltAnswers::of);
    }

    @Operation(summary = "How long a mold out of the kiln stays over its limit")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.CARRY)))
    @PostMapping(path = "/carry", consumes = MediaType.APPLICATION_JSON_VALUE)
    MeltAnswers carry(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return simulated(account, body, CarryQuestionReader::read, MeltAnswers::of, "the cooling of a mold");
    }

    @Operation(summary = "How long a plate, rod or ball takes to freeze in its mold")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.FREEZE)))
    @PostMapping(path = "/freeze", consumes = MediaType.APPLICATION_JSON_VALUE)
    MeltAnswers freeze(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return simulated(account, body, FreezeQuestionReader::read, MeltAnswers::of, "a section that freezes");
    }

    @Operation(summary = "Why a casting came out as it did: all causes, ranked by what is on record")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.DIAGNOSE)))
    @PostMapping(path = "/diagnose", consumes = MediaType.APPLICATION_JSON_VALUE)
    DiagnoseAnswer diagnose(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return answer(account, body, DiagnoseQuestionReader::read, DiagnoseAnswer::of);
    }

    @Operation(summary = "A wall of wax slushed in layers: how long each stands, and the wax it asks")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.SLUSH)))
    @PostMapping(path = "/slush", consumes = MediaType.APPLICATION_JSON_VALUE)
    WaxAnswers slush(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return answer(account, body, SlushQuestionReader::read, WaxAnswers::of);
    }

    @Operation(summary = "Rubber, hardener, jacket and times of a mold of rubber")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(ref = Declarations.RUBBER)))
    @PostMapping(path = "/rubber", consumes = MediaType.APPLICATION_JSON_VALUE)
    WaxAnswers rubber(@AuthenticationPrincipal Account account, @RequestBody JsonNode body) {
        return answer(account, body, RubberQuestionReader::read, WaxAnswers::of);
    }

    @Operation(summary = "All figures and findings of a plan document, as the pages say them")
    @PostMapping(path = "/plan", consumes = MediaType.APPLICATION_JSON_VALUE)
    PlanAnswer plan(
            @AuthenticationPrincipal Account account,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            description = "A plan document as exported, format kiln-ryu-plan",
                            content = @Content(schema = @Schema(implementation = Contract.PlanRequest.class)))
                    @RequestBody
                    String document) {
        try {
            return PlanAnswer.of(plans.asked(account, document));
        } catch (PlanDocument.Unusable e) {
            throw new Impossible(Map.of("", e.getMessage()));
        }
    }

    /** A blend without a name: the API asks for none. */
    private static Optional<Blend> blend(Fields fields, Factors factors) {
        return BlendReader.shares(fields, factors);
    }

    private static Answer answer(Blend blend) {
        return Answer.of(ContractFigures.of(blend), blend.findings());
    }

    private static Answer answer(BlockPlan plan) {
        return Answer.of(ContractFigures.of(plan), plan.findings());
    }

    /** The same, reckoned where all that takes long is. */
    private <T, R> R simulated(
            Account account,
            JsonNode body,
            BiFunction<Fields, Factors, Optional<T>> reader,
            Function<T, R> writer,
            String words) {
        return answer(
                account,
                body,
                reader,
                asked -> simulations.of(
                        account.studioId(),
                        new Computed<>(words, body, factors.of(account.studioId()), () -> writer.apply(asked))));
    }

    /** A question to the API that takes long, by its body and the constants it is answered with. */
    private record Computed<R>(String words, JsonNode body, Factors factors, Supplier<R> answered)
            implements Question<R> {
        @Override
        public R answer(Watch watch) {
            return answered.get();
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Computed<?> c
                    && words.equals(c.words)
                    && body.equals(c.body)
                    && factors.equals(c.factors);
        }

        @Override
        public int hashCode() {
            return Objects.hash(words, body, factors);
        }
    }

    private <T, R> R answer(
            Account account, JsonNode body, BiFunction<Fields, Factors, Optional<T>> reader, Function<T, R> writer) {
        if (!body.isObject()) {
            throw new Impossible(Map.of("", "The body has to be a JSON object."));
        }
        Paths.Flat flat = Paths.flat(body);
        Fields fields = new Fields(flat.texts(), flat.words(), Units.METRIC);
        Optional<T> plan = reader.apply(fields, factors.of(account.studioId()));
        fields.unknown().stream()
                .filter(path -> !path.endsWith("].name"))
                .forEach(path -> fields.missing(path, "There is no such field."));
        if (plan.isEmpty() || fields.hasErrors()) {
            throw new Impossible(fields.errors());
        }
        return writer.apply(plan.get());
    }

    private static Answer answer(TreePlan plan) {
        return Answer.of(ContractFigures.of(plan), plan.findings());
    }
}
