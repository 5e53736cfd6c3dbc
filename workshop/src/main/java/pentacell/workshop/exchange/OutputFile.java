package pentacell.workshop.exchange;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermission;
import java.util.Collection;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.workshop.logbook.WorkshopMark;

/// The one way a file is written: whole or not at all, never onto a workshop, a folder or a device,
/// never onto a file that was read for it. A file that was there keeps its permissions, a new one
/// gets those of the person's umask.
public final class OutputFile {
    private static final Pattern BESIDE_A_WORKSHOP = Pattern.compile("(.+)-(?:wal|shm|lock)");
    private static final Path NOWHERE = Path.of("/dev/null");

    private OutputFile() {}

    /// A file that must not be written.
    public static final class Refused extends IOException {
        private static final long serialVersionUID = 1L;

        /// @param sentence why, and what to do
        public Refused(String sentence) {
            super(sentence);
        }
    }

    /// A file that could not be written.
    public static final class NotWritten extends IOException {
        private static final long serialVersionUID = 1L;

        NotWritten(String sentence, Throwable cause) {
            super(sentence, cause);
        }
    }

    /// What makes the content of a file.
    public interface Content {
        /// @param unfinished a new file beside the one to be written
        void writeTo(Path unfinished) throws IOException;
    }

    /// Looks whether a file may be written, before anything is worked out for it.
    ///
    /// @param inputs what is read for it
    /// @throws Refused when it is one of the inputs, a workshop, a folder or a device
    /// @throws NotWritten when its folder is missing or cannot be written in
    public static void check(Path named, Collection<Path> inputs) throws IOException {
        if (isNowhere(named)) return;
        try {
            Path target = real(named);
            for (Path input : inputs)
                if (Files.exists(target) && Files.exists(input) && Files.isSameFile(target, input))
                    throw new Refused(
                            "%s is read here, so it is not written over. Choose another name."
                                    .formatted(named));
            refuse(named, target);
            Path folder = folder(target);
            if (!Files.isDirectory(folder)) throw noFolder(named, folder);
            if (!Files.isWritable(folder))
                throw new NotWritten(
                        "%s cannot be written: the folder %s is read-only."
                                .formatted(named, folder),
                        new IOException("read-only folder"));
        } catch (FileSystemException failure) {
            throw notWritten(named, failure);
        }
    }

    private static void refuse(Path named, Path target) throws IOException {
        if (Files.isDirectory(target))
            throw new Refused(named + " is a folder. Name a file in it.");
        if (Files.exists(target) && !Files.isRegularFile(target))
            throw new Refused(named + " is a device, not a file. Name a file, or - for none.");
        if (WorkshopMark.isWorkshop(target))
            throw new Refused(
                    named + " is a workshop, and is not written over. Choose another name.");
        Matcher beside = BESIDE_A_WORKSHOP.matcher(String.valueOf(target.getFileName()));
        if (beside.matches() && WorkshopMark.isWorkshop(target.resolveSibling(beside.group(1))))
            throw new Refused(
                    "%s belongs to the workshop %s, and is not written over."
                            .formatted(named, beside.group(1)));
    }

    /// Writes a text.
    public static void write(Path named, String text) throws IOException {
        write(named, text.getBytes(StandardCharsets.UTF_8));
    }

    /// Writes bytes.
    public static void write(Path named, byte[] bytes) throws IOException {
        write(named, unfinished -> Files.write(unfinished, bytes));
    }

    /// Writes a file whole or not at all: beside its place first, then moved there.
    ///
    /// @throws Refused when it is a workshop, a folder or a device
    /// @throws NotWritten when it could not be written; what was there is there still
    public static void write(Path named, Content content) throws IOException {
        if (isNowhere(named)) return;
        check(named, Set.of());
        Path target = real(named);
        Path unfinished = folder(target).resolve("." + UUID.randomUUID() + ".part");
        try {
            Optional<Set<PosixFilePermission>> permissions = permissions(target);
            Files.write(unfinished, new byte[0], StandardOpenOption.CREATE_NEW);
            content.writeTo(unfinished);
            if (permissions.isPresent())
                Files.setPosixFilePermissions(unfinished, permissions.get());
            try {
                Files.move(
                        unfinished,
                        target,
                        StandardCopyOption.ATOMIC_MOVE,
                        StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(unfinished);
            }
        } catch (FileSystemException failure) {
            Files.deleteIfExists(unfinished);
            throw notWritten(named, failure);
        } catch (IOException failure) {
            Files.deleteIfExists(unfinished);
            throw new NotWritten(
                    "%s could not be written: %s.".formatted(named, failure.getMessage()), failure);
        }
    }

    private static Optional<Set<PosixFilePermission>> permissions(Path target) throws IOException {
        if (!Files.exists(target)) return Optional.empty();
        try {
            return Optional.of(Files.getPosixFilePermissions(target));
        } catch (UnsupportedOperationException notPosix) {
            return Optional.empty();
        }
    }

    /// Whether what is written there is thrown away.
    public static boolean isNowhere(Path named) {
        return named.toAbsolutePath().normalize().equals(NOWHERE);
    }

    /// The file behind a name: what a link leads to is written, the link stays.
    private static Path real(Path named) throws IOException {
        Path plain = named.toAbsolutePath();
        for (int links = 0; links < 40 && Files.isSymbolicLink(plain); links++)
            plain = folder(plain).resolve(Files.readSymbolicLink(plain));
        return plain;
    }

    private static Path folder(Path file) {
        Path parent = file.getParent();
        return parent == null ? file : parent;
    }

    private static NotWritten noFolder(Path named, Path folder) {
        return new NotWritten(
                Files.exists(folder)
                        ? "%s cannot be written: %s is a file, not a folder."
                                .formatted(named, folder)
                        : "%s cannot be written: there is no folder %s.".formatted(named, folder),
                new NoSuchFileException(folder.toString()));
    }

    private static NotWritten notWritten(Path named, FileSystemException failure) {
        String reason = failure.getReason();
        return new NotWritten(
                "%s cannot be written: %s."
                        .formatted(
                                shortened(named),
                                failure instanceof FileAlreadyExistsException
                                        ? "something else is there"
                                        : failure instanceof java.nio.file.AccessDeniedException
                                                ? "permission denied"
                                                : reason == null
                                                        ? "the system refuses it"
                                                        : reason),
                failure);
    }

    private static String shortened(Path named) {
        String name = named.toString();
        return name.length() <= 200 ? name : name.substring(0, 197) + "…";
    }
}
