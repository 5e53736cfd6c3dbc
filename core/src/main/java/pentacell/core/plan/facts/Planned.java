package pentacell.core.plan.facts;

import java.util.Optional;

/// A planned pack.
///
/// @param pack its name
/// @param need what it must power
/// @param chosen the pack chosen for it, once one was
public record Planned(String pack, Need need, Optional<Chosen> chosen) {}
