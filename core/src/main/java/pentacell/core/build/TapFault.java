package pentacell.core.build;

import java.util.List;
import java.util.Locale;

/// Something that is wrong with the leads of a plug, or odd about a group.
///
/// @param leads positions in the plug, from 0; empty when it is about a group
/// @param groups from 1; empty when it is about leads
public record TapFault(Kind kind, List<Integer> leads, List<Integer> groups, String sentence) {
    public TapFault {
        leads = List.copyOf(leads);
        groups = List.copyOf(groups);
    }

    /// What can be wrong.
    public enum Kind {
        /// Two leads changed places.
        SWAPPED,
        /// A lead sits on another's joint.
        WRONG_TAP,
        /// A lead reads nothing.
        OPEN,
        /// The row is off by one.
        SHIFTED,
        /// The row is upside down.
        REVERSED,
        /// A reading fits nothing.
        UNREADABLE,
        /// Leads are right, a group's own voltage stands out.
        GROUP_ODD,
        /// Leads are right, a group is below its end voltage or above its charge limit.
        GROUP_LIMITS;

        /// The name used in files.
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    static TapFault ofLeads(Kind kind, List<Integer> leads, String sentence) {
        return new TapFault(kind, leads, List.of(), sentence);
    }

    static TapFault ofGroup(Kind kind, int group, String sentence) {
        return new TapFault(kind, List.of(), List.of(group), sentence);
    }
}
