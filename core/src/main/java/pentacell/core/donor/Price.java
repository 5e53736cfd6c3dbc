package pentacell.core.donor;

/// An amount of money. Amounts of different currencies are never added.
///
/// @param amount 0 or more
/// @param currency code of three letters such as `EUR` (ISO 4217)
public record Price(double amount, String currency) {
    public Price {
        if (!(amount >= 0 && amount < 1e9))
            throw new IllegalArgumentException(
                    "a price is 0 or more and under a billion, was " + amount);
        if (!currency.matches("[A-Z]{3}"))
            throw new IllegalArgumentException(
                    "a currency has three capital letters, such as EUR, was \"" + currency + "\"");
    }
}
