package pentacell.cli;

import java.io.IOException;
import java.io.InputStream;
import java.util.Objects;
import java.util.Properties;
import picocli.CommandLine.IVersionProvider;

/// The program's name and version, as the build has written them.
final class ProgramVersion implements IVersionProvider {
    @Override
    public String[] getVersion() throws IOException {
        Properties written = new Properties();
        try (InputStream file = ProgramVersion.class.getResourceAsStream("version.properties")) {
            written.load(Objects.requireNonNull(file, "version.properties is built in"));
        }
        return new String[] {"Pentacell " + written.getProperty("version")};
    }
}
