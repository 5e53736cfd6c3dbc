package pentacell.core.plan.facts;

import pentacell.core.donor.Price;

/// What a part costs.
///
/// @param price of one of its units
public record PartPrice(Part part, Price price) {}
