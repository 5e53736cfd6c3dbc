package pentacell.cli;

import pentacell.core.cell.Chemistry;
import picocli.CommandLine.Option;

/// The chemistry of the cells a command is about.
final class ChemistryOption {
    @Option(
            names = "--chemistry",
            paramLabel = "nmc|lfp",
            converter = Usage.ChemistryConverter.class,
            description = "nmc (4.2 V class, default) or lfp")
    private Chemistry chemistry = Chemistry.NMC;

    Chemistry get() {
        return chemistry;
    }
}
