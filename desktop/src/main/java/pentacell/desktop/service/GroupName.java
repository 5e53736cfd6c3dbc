package pentacell.desktop.service;

import javafx.util.StringConverter;

/// Groups, counted from 0, as they are spoken of.
final class GroupName extends StringConverter<Integer> {
    @Override
    public String toString(Integer group) {
        return group == null ? "" : "group " + (group + 1);
    }

    @Override
    public Integer fromString(String text) {
        throw new UnsupportedOperationException("groups are chosen, not typed");
    }
}
