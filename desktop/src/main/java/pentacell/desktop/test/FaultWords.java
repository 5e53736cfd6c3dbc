package pentacell.desktop.test;

import pentacell.instruments.protocol.Ask.FaultKind;

/// What can go wrong on demand, in words.
final class FaultWords {
    private FaultWords() {}

    static String of(FaultKind fault) {
        return switch (fault) {
            case CUT_CONNECTION -> "cut the line";
            case CONTACT_BLIP -> "lose the contact for a moment";
            case SLOT_SWAPPED -> "put another cell in";
            case RESTART -> "restart the instrument";
        };
    }
}
