package pentacell.cli;

import pentacell.core.cell.Chemistry;
import picocli.CommandLine;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;

/// How a command is told that it was called wrongly: exit code 2, with what was expected.
final class Usage {
    private Usage() {}

    static ParameterException wrong(CommandSpec spec, String message) {
        return new ParameterException(spec.commandLine(), message);
    }

    /// Reads the chemistry of an option.
    static final class ChemistryConverter implements CommandLine.ITypeConverter<Chemistry> {
        @Override
        public Chemistry convert(String text) {
            return Chemistry.parse(text)
                    .orElseThrow(() ->
                            new CommandLine.TypeConversionException(
                                    "expected nmc or lfp, was " + text));
        }
    }
}
