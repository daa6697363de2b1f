package kilnryu.app.blend;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.core.block.BlockQuestion.Mix;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Blend;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/** What a block can be made of: the systems that come along and the studio's own blends, by key. */
public record Mixes(Map<String, BlendReader.Read> blends, Map<String, Findings> failed) {
    public static final Mixes NONE = new Mixes(Map.of(), Map.of());

    public Mixes {
        blends = new LinkedHashMap<>(blends);
    }

    /** Those of a studio; a blend that is not complete is left out. */
    static Mixes of(List<BlendStore.Row> rows, List<BlendStore.Trial> trials, Factors factors) {
        Map<String, BlendReader.Read> blends = new LinkedHashMap<>();
        Map<String, Findings> failed = new LinkedHashMap<>();
        for (BlendStore.Row row : rows) {
            BlendReader.Read read = BlendReader.saved(row.fields(), factors);
            if (read.blend().isPresent()) {
                blends.put("blend-" + row.id(), read);
                failed.put("blend-" + row.id(), Trials.failed(row, trials));
            }
        }
        return new Mixes(blends, failed);
    }

    public Optional<Mix> named(String key, Factors factors) {
        BlendReader.Read own = blends.get(key);
        if (own != null) {
            Blend blend = own.blend().orElseThrow();
            return Optional.of(new Mix(
                    own.name(),
                    blend.density(),
                    blend.waterPer100(),
                    blend.hemihydrate().value(),
                    own.smallOnly(),
                    blend.findings().and(failed.getOrDefault(key, Findings.NONE))));
        }
        return InvestmentSystem.named(key)
                .filter(s -> s.density().isPresent() && s.waterPer100().isPresent())
                .map(s -> new Mix(
                        s.label(),
                        Figure.of(s.density().get()),
                        Figure.of(s.waterPer100().get()),
                        s.hemihydratePercent(),
                        false))
                .map(m -> replaced(key, m, factors));
    }

    private static Mix replaced(String key, Mix mix, Factors factors) {
        InvestmentSystem system = InvestmentSystem.named(key).orElseThrow();
        return new Mix(
                mix.name(),
                factors.of(system.density().orElseThrow()),
                factors.of(system.waterPer100().orElseThrow()),
                mix.hemihydrate(),
                false);
    }

    public List<Option> options() {
        List<Option> options = new ArrayList<>();
        blends.forEach((key, read) -> options.add(new Option(key, read.name() + " (the studio's own)")));
        for (InvestmentSystem system : InvestmentSystem.values()) {
            if (system.density().isPresent() && system.waterPer100().isPresent()) {
                options.add(new Option(system.key(), system.label()));
            }
        }
        return options;
    }
}
