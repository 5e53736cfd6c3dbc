package pentacell.cli;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.Configurator;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.rolling.FixedWindowRollingPolicy;
import ch.qos.logback.core.rolling.RollingFileAppender;
import ch.qos.logback.core.rolling.SizeBasedTriggeringPolicy;
import ch.qos.logback.core.spi.ContextAwareBase;
import ch.qos.logback.core.status.NopStatusListener;
import ch.qos.logback.core.util.Duration;
import ch.qos.logback.core.util.FileSize;
import org.slf4j.Logger;
import pentacell.workshop.PersonFolder;

/// Where the program's own log goes: a file of the person's, turned over at a megabyte. Set up in
/// code, for reading it from a file would hold up every start.
public final class LogFile extends ContextAwareBase implements Configurator {
    @Override
    public ExecutionStatus configure(LoggerContext context) {
        // nothing of its own on standard output, which belongs to results
        context.getStatusManager().add(new NopStatusListener());
        RollingFileAppender<ILoggingEvent> file = new RollingFileAppender<>();
        file.setContext(context);
        file.setFile(PersonFolder.log().toString());
        // what was told before a crash is what one wants to read
        file.setImmediateFlush(true);

        PatternLayoutEncoder words = new PatternLayoutEncoder();
        words.setContext(context);
        words.setPattern("%d{yyyy-MM-dd HH:mm:ss} %-5level %logger{30} %msg%n");
        words.start();
        file.setEncoder(words);

        FixedWindowRollingPolicy older = new FixedWindowRollingPolicy();
        older.setContext(context);
        older.setParent(file);
        older.setFileNamePattern(PersonFolder.path().resolve("log.%i.txt").toString());
        older.setMinIndex(1);
        older.setMaxIndex(3);
        older.start();
        file.setRollingPolicy(older);

        SizeBasedTriggeringPolicy<ILoggingEvent> full = new SizeBasedTriggeringPolicy<>();
        full.setContext(context);
        full.setMaxFileSize(FileSize.valueOf("1MB"));
        // looked at with every line: in a flood a minute is hundreds of megabytes
        full.setCheckIncrement(Duration.buildByMilliseconds(0));
        full.start();
        file.setTriggeringPolicy(full);
        file.start();

        context.getLogger(Logger.ROOT_LOGGER_NAME).setLevel(Level.INFO);
        context.getLogger(Logger.ROOT_LOGGER_NAME).addAppender(file);
        // they speak of every odd glyph
        context.getLogger("org.apache.pdfbox").setLevel(Level.ERROR);
        context.getLogger("org.apache.fontbox").setLevel(Level.ERROR);
        return ExecutionStatus.DO_NOT_INVOKE_NEXT_IF_ANY;
    }
}
