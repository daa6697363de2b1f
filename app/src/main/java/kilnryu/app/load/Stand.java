package kilnryu.app.load;

import java.util.Optional;
import kilnryu.app.plan.Plans;
import kilnryu.app.shell.ShellReader;
import kilnryu.core.burnout.Subject;
import kilnryu.core.kiln.Packing;

/**
 * A mold in a load.
 *
 * @param item its outline
 * @param subject a flask or block; empty for a shell
 * @param shell empty for a flask or block
 * @param posts whether it stands on posts, all faces free, and not on a solid shelf
 * @param bare whether it stands without its steel, its sleeve taken off
 * @param mark what its tag says of where its mark points
 */
public record Stand(
        long tree,
        String name,
        Plans.Saved saved,
        Packing.Item item,
        Optional<Subject> subject,
        Optional<ShellReader.Built> shell,
        boolean posts,
        boolean bare,
        String mark) {

    public String key() {
        return Long.toString(tree);
    }

    /** Whether something runs out of it into a tray. */
    public boolean drains() {
        return subject.map(s -> s.patterns().stream().anyMatch(p -> p.drainsAsWax() || p.drainsHot()))
                .orElse(true);
    }

    public String kind() {
        return shell.isPresent()
                ? "shell"
                : subject.map(s -> s.block() ? "block" : "flask").orElse("mold");
    }
}
