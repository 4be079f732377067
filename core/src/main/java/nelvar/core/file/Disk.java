package nelvar.core.file;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.Optional;

/// The few things a safe save asks of a disk. Tests put one in its place that fails, stalls or is
/// killed at any step.
public interface Disk {
  /// Writes all bytes to a new file and waits until they are on the medium. A file left by a save
  /// that was killed is taken away first; a link or anything else in its place is refused.
  ///
  /// @param like whose permissions, and where it may be whose owner, the new file gets
  void writeAndSync(Path file, byte[] bytes, Optional<Path> like) throws IOException;

  /// What stands in a file.
  byte[] read(Path file) throws IOException;

  /// Puts `from` in the place of `to` in one step.
  void rename(Path from, Path to) throws IOException;

  /// Waits until the folder's entries are on the medium, where the system can.
  void syncFolder(Path folder) throws IOException;

  /// Takes a file away; it need not be there.
  void delete(Path file) throws IOException;

  Disk REAL =
      new Disk() {
        @Override
        public void writeAndSync(Path file, byte[] bytes, Optional<Path> like) throws IOException {
          if (Files.exists(file, LinkOption.NOFOLLOW_LINKS)) {
            if (!Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS))
              throw new PlantedFile(
                  "%s is in the way, and it is no file of ours (a link, a folder or a device): take it away first"
                      .formatted(file.getFileName()));
            Files.delete(file);
          }
          try (var channel =
              FileChannel.open(
                  file,
                  StandardOpenOption.CREATE_NEW,
                  StandardOpenOption.WRITE,
                  LinkOption.NOFOLLOW_LINKS)) {
            if (like.isPresent()) permit(file, like.get());
            var buffer = ByteBuffer.wrap(bytes);
            while (buffer.hasRemaining()) channel.write(buffer);
            channel.force(true);
          }
        }

        @Override
        public byte[] read(Path file) throws IOException {
          return Files.readAllBytes(file);
        }

        @Override
        public void rename(Path from, Path to) throws IOException {
          Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        }

        @Override
        public void syncFolder(Path folder) throws IOException {
          try (var channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
          } catch (IOException notOnThisSystem) {
            // Some systems cannot open a folder; the rename itself is then as safe as they make it.
            if (!Files.isDirectory(folder)) throw notOnThisSystem;
          }
        }

        @Override
        public void delete(Path file) throws IOException {
          Files.deleteIfExists(file);
        }
      };

  private static void permit(Path file, Path like) throws IOException {
    var from = Files.getFileAttributeView(like, PosixFileAttributeView.class);
    var to =
        Files.getFileAttributeView(file, PosixFileAttributeView.class, LinkOption.NOFOLLOW_LINKS);
    if (from == null || to == null) return;
    var wanted = from.readAttributes();
    var has = to.readAttributes();
    // Nobody reads it before it belongs to whom it should.
    try {
      if (!has.group().equals(wanted.group())) to.setGroup(wanted.group());
      if (!has.owner().equals(wanted.owner())) to.setOwner(wanted.owner());
    } catch (IOException notOurs) {
      // Only the administrator may give files away; then it is ours, with the same permissions.
    }
    to.setPermissions(wanted.permissions());
  }

  /// Something stands where a file is to be written, and was not put there by a save.
  final class PlantedFile extends IOException {
    private static final long serialVersionUID = 1;

    PlantedFile(String message) {
      super(message);
    }
  }
}
