package orbispace.core.draft;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Role;
import orbispace.core.design.Source;

/**
 * The role by which each source is sent. What leads any section is sent as a lead; all of a group
 * are sent as its lead is, else as most of them are.
 */
final class SendRoles {
    private SendRoles() {}

    /** Roles by source id. */
    static Map<String, Role> of(Design design) {
        Set<String> leading =
                Leads.all(design).stream().map(l -> l.source().id()).collect(Collectors.toSet());
        Map<String, Role> roles = new HashMap<>();
        for (Source s : design.sources()) {
            roles.put(s.id(), leading.contains(s.id()) ? Role.LEAD : s.role());
        }
        design.sources().stream()
                .filter(s -> !s.group().isEmpty())
                .collect(Collectors.groupingBy(Source::group))
                .forEach((group, members) -> {
                    Role one = together(members, roles);
                    members.forEach(s -> roles.put(s.id(), one));
                });
        return roles;
    }

    private static Role together(List<Source> members, Map<String, Role> roles) {
        Map<Role, Integer> counts = new EnumMap<>(Role.class);
        members.forEach(s -> counts.merge(roles.getOrDefault(s.id(), s.role()), 1, Integer::sum));
        if (counts.containsKey(Role.LEAD)) {
            return Role.LEAD;
        }
        return counts.entrySet().stream()
                .max(Map.Entry.<Role, Integer>comparingByValue())
                .map(Map.Entry::getKey)
                .orElse(Role.COLOUR);
    }
}
