package nelvar.core.file;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ThreadLocalRandom;

/// A name that one program at a time holds: a locked file. The system frees it when the program
/// ends, however it ends; given back, the file goes.
final class Claim implements AutoCloseable {
  private static final int TRIES = 20;
  private static final int LONGEST_MARK = 1 << 16;

  /// What this program holds. Needed because a system lock belongs to the whole program and goes as
  /// soon as any part of it opens and closes the file: nothing held may be opened once more.
  private static final Set<Path> HELD = ConcurrentHashMap.newKeySet();

  private final Path file;
  private final FileChannel channel;

  private Claim(Path file, FileChannel channel) {
    this.file = file;
    this.channel = channel;
  }

  /// Empty while another program, or another window of this one, holds it.
  static Optional<Claim> on(Path wanted) throws IOException {
    var absolute = wanted.toAbsolutePath();
    var file = absolute.resolveSibling(".").toRealPath().resolve(absolute.getFileName());
    if (!HELD.add(file)) return Optional.empty();
    var claim = Optional.<Claim>empty();
    try {
      claim = lock(file);
      return claim;
    } finally {
      if (claim.isEmpty()) HELD.remove(file);
    }
  }

  private static Optional<Claim> lock(Path file) throws IOException {
    for (var i = 0; i < TRIES; i++) {
      var channel =
          FileChannel.open(
              file, StandardOpenOption.CREATE, StandardOpenOption.WRITE, LinkOption.NOFOLLOW_LINKS);
      if (channel.tryLock() == null) {
        channel.close();
        return Optional.empty();
      }
      // Whoever held it before may have taken the file away between our opening and our locking it:
      // then what stands there has not the length we give ours.
      var length = ThreadLocalRandom.current().nextInt(1, LONGEST_MARK);
      channel.truncate(0);
      channel.write(ByteBuffer.allocate(1), length - 1L);
      if (size(file) == length) return Optional.of(new Claim(file, channel));
      channel.close();
    }
    return Optional.empty();
  }

  private static long size(Path file) throws IOException {
    try {
      return Files.size(file);
    } catch (NoSuchFileException gone) {
      return 0;
    }
  }

  @Override
  public void close() throws IOException {
    if (!channel.isOpen()) return;
    try (channel) {
      Files.deleteIfExists(file);
    } finally {
      HELD.remove(file);
    }
  }
}
