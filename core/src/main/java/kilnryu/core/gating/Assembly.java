package kilnryu.core.gating;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Members that hang together: one root, every other joined to one that is there, without circles. */
public final class Assembly {
    private final Map<String, Member> members;
    private final Map<String, List<Member>> children = new HashMap<>();
    private final List<Member> fromRoot = new ArrayList<>();

    private Assembly(Map<String, Member> members) {
        this.members = members;
    }

    /** @throws ImpossibleAssembly when they do not hang together, at the field that has to be mended */
    public static Assembly of(List<Member> list) {
        Map<String, Member> members = new LinkedHashMap<>();
        list.forEach(m -> members.put(m.key(), m));
        Assembly assembly = new Assembly(members);
        Member root = null;
        for (Member m : list) {
            if (m.joint().isEmpty()) {
                if (root != null) {
                    throw new ImpossibleAssembly(
                            m.key(),
                            "joins",
                            "Say what " + m.name() + " joins; only " + root.name() + " stands alone.");
                }
                root = m;
            } else {
                assembly.checkJoint(m);
            }
            if (!m.endsAt().isEmpty() && !members.containsKey(m.endsAt())) {
                throw new ImpossibleAssembly(m.key(), "ends_at", "What it runs into is not in the tree.");
            }
        }
        if (root == null) {
            throw new ImpossibleAssembly(
                    list.get(0).key(),
                    "joins",
                    "One member, usually the cup, has to stand alone: the others hang on it.");
        }
        assembly.walk(root);
        return assembly;
    }

    private void checkJoint(Member m) {
        String to = m.joint().get().to();
        if (!members.containsKey(to)) {
            throw new ImpossibleAssembly(m.key(), "joins", "What it joins is not in the tree.");
        }
        Set<String> passed = new HashSet<>(Set.of(m.key()));
        for (Member at = members.get(to);
                at.joint().isPresent();
                at = members.get(at.joint().get().to())) {
            if (!passed.add(at.key())) {
                throw new ImpossibleAssembly(m.key(), "joins", "Members join each other in a circle.");
            }
            if (!members.containsKey(at.joint().get().to())) {
                return;
            }
        }
        children.computeIfAbsent(to, k -> new ArrayList<>()).add(m);
    }

    private void walk(Member from) {
        fromRoot.add(from);
        childrenOf(from).forEach(this::walk);
    }

    public Member root() {
        return fromRoot.get(0);
    }

    /** Every member after the one it joins. */
    public List<Member> fromRoot() {
        return List.copyOf(fromRoot);
    }

    public List<Member> of(Use use) {
        return fromRoot.stream().filter(m -> m.use() == use).toList();
    }

    List<Member> childrenOf(Member member) {
        return children.getOrDefault(member.key(), List.of());
    }

    List<Member> childrenOf(Member member, Use use) {
        return childrenOf(member).stream().filter(m -> m.use() == use).toList();
    }

    public Optional<Member> parentOf(Member member) {
        return member.joint().map(j -> members.get(j.to()));
    }

    public Optional<Member> named(String key) {
        return Optional.ofNullable(members.get(key));
    }

    /** From a member up to the root, itself first. */
    List<Member> wayUp(Member from) {
        List<Member> way = new ArrayList<>();
        for (Optional<Member> at = Optional.of(from); at.isPresent(); at = parentOf(at.get())) {
            way.add(at.get());
        }
        return way;
    }
}
