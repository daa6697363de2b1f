package kilnryu.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.core.shell.Recipe;
import kilnryu.core.shell.RecipeText;
import kilnryu.core.shell.ShellSchool;
import kilnryu.core.sum.Factors;

/** The recipes of a studio: the five schools and its own. */
public record Recipes(List<Own> own) {
    public static final Recipes NONE = new Recipes(List.of());

    public Recipes {
        own = List.copyOf(own);
    }

    /** A recipe of the studio's own, its coats as they are written. */
    public record Own(long id, String name, String coats, String note, int version, boolean archived) {
        public String key() {
            return "recipe-" + id;
        }

        Recipe recipe() {
            RecipeText.Read read = RecipeText.read(coats);
            return new Recipe(key(), name, note, read.coats(), read.wireAfter());
        }
    }

    /** @param target mm, for the schools that build to a thickness */
    public Optional<Recipe> named(String key, double target, Factors factors) {
        return own.stream()
                .filter(r -> r.key().equals(key))
                .findFirst()
                .map(Own::recipe)
                .or(() -> ShellSchool.named(key).map(s -> s.recipe(target, factors)));
    }

    /** The five and the studio's own, for one piece. */
    public List<Recipe> all(double target, Factors factors) {
        List<Recipe> all = new ArrayList<>();
        for (ShellSchool school : ShellSchool.values()) {
            all.add(school.recipe(target, factors));
        }
        own.stream().filter(r -> !r.archived()).map(Own::recipe).forEach(all::add);
        return all;
    }

    public List<Option> options(String chosen) {
        List<Option> options = new ArrayList<>();
        for (ShellSchool school : ShellSchool.values()) {
            options.add(new Option(school.key(), school.label() + ": " + school.says()));
        }
        own.stream()
                .filter(r -> !r.archived() || r.key().equals(chosen))
                .forEach(r -> options.add(new Option(r.key(), r.name() + " (the studio's own)")));
        return options;
    }
}
