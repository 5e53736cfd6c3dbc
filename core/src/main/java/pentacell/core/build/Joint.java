package pentacell.core.build;

import pentacell.core.build.facts.Layout;

/// The joints of a string: joint 0 is the pack's negative, joint k the positive of group k counted
/// from 1.
final class Joint {
    private Joint() {}

    /// The joint that the ends of a group, from 0, show on a face.
    static int of(int group, Face face) {
        boolean showsPositive = Layout.isUp(group) == (face == Face.TOP);
        return showsPositive ? group + 1 : group;
    }

    /// The face on which two neighbouring groups are linked, and the last one ends.
    ///
    /// @param joint 0 to the number of groups
    static Face face(int joint) {
        // group 0 stands up: its negative, joint 0, is below; its positive, joint 1, on top
        return joint % 2 == 0 ? Face.BOTTOM : Face.TOP;
    }
}
