package nelvar.core.file;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/// The few things a safe save asks of a disk. Tests put one in its place that fails or is killed at
/// any step.
public interface Disk {
  /// Writes all bytes and waits until they are on the medium.
  void writeAndSync(Path file, byte[] bytes) throws IOException;

  /// Puts `from` in the place of `to` in one step.
  void rename(Path from, Path to) throws IOException;

  /// Waits until the folder's entries are on the medium, where the system can.
  void syncFolder(Path folder) throws IOException;

  Disk REAL =
      new Disk() {
        @Override
        public void writeAndSync(Path file, byte[] bytes) throws IOException {
          try (var channel =
              FileChannel.open(
                  file,
                  StandardOpenOption.CREATE,
                  StandardOpenOption.TRUNCATE_EXISTING,
                  StandardOpenOption.WRITE)) {
            var buffer = ByteBuffer.wrap(bytes);
            while (buffer.hasRemaining()) channel.write(buffer);
            channel.force(true);
          }
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
      };
}
