package pentacell.core.cell;

/// Orders texts as a person would shelve them: runs of digits by value, the rest by letter.
final class NaturalOrder {
    private NaturalOrder() {}

    static int compare(String a, String b) {
        int i = 0;
        int j = 0;
        while (i < a.length() && j < b.length()) {
            int endOfA = endOfDigits(a, i);
            int endOfB = endOfDigits(b, j);
            int order =
                    endOfA > i && endOfB > j
                            ? compareDigits(a.substring(i, endOfA), b.substring(j, endOfB))
                            : Character.compare(a.charAt(i), b.charAt(j));
            if (order != 0) return order;
            i = Math.max(endOfA, i + 1);
            j = Math.max(endOfB, j + 1);
        }
        int byRest = Integer.compare(a.length() - i, b.length() - j);
        // "7" and "07" are alike by value but are not the same text
        return byRest != 0 ? byRest : a.compareTo(b);
    }

    private static int endOfDigits(String text, int from) {
        int end = from;
        while (end < text.length() && text.charAt(end) >= '0' && text.charAt(end) <= '9') end++;
        return end;
    }

    private static int compareDigits(String a, String b) {
        String left = a.replaceFirst("^0+(?=\\d)", "");
        String right = b.replaceFirst("^0+(?=\\d)", "");
        int byLength = Integer.compare(left.length(), right.length());
        return byLength != 0 ? byLength : left.compareTo(right);
    }
}
