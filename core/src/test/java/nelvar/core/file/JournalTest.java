package nelvar.core.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.spy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import nelvar.core.model.Project;
import nelvar.core.sample.NewProject;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class JournalTest {
  @TempDir Path folder;
  private final Project first = NewProject.named("first");
  private final Project second = NewProject.named("second");
  private Path path;

  @BeforeEach
  void place() {
    path = folder.resolve("m.nelvar.json");
  }

  private java.util.List<Project> left() throws IOException {
    var states = new java.util.ArrayList<Project>();
    for (var left : Journal.left(path, CatalogueFile.standard())) {
      states.add(left.state());
      left.close();
    }
    return states;
  }

  @Test
  void whatASessionThatIsGoneLeftIsFound() throws Exception {
    var journal = Journal.of(path);
    journal.keep(first);
    journal.keep(second);
    assertThat(left()).as("while the window is there it is nobody else's").isEmpty();
    journal.close();
    assertThat(left()).containsExactly(second);
    assertThat(left()).as("not answered, it stays").containsExactly(second);
    Journal.left(path, CatalogueFile.standard()).getFirst().forget();
    assertThat(left()).isEmpty();
    assertThat(Files.list(folder)).as("no lock is left over").isEmpty();
  }

  @Test
  void twoWindowsKeepTheirsApart() throws Exception {
    var one = Journal.of(path);
    var two = Journal.of(path);
    one.keep(first);
    two.keep(second);
    one.forget();
    one.close();
    two.close();
    assertThat(left()).as("one window never deletes another's").containsExactly(second);
  }

  @Test
  void whatIsNotAnsweredYetIsNotOverwritten() throws Exception {
    var gone = Journal.of(path);
    gone.keep(first);
    gone.close();
    var now = Journal.of(path);
    now.keep(second);
    assertThat(left()).containsExactly(first);
    now.forget();
    now.close();
    assertThat(left()).containsExactly(first);
  }

  @Test
  void onlyOneWindowAsksAboutWhatWasLeft() throws Exception {
    var gone = Journal.of(path);
    gone.keep(first);
    gone.close();
    var asked = Journal.left(path, CatalogueFile.standard());
    assertThat(asked).hasSize(1);
    assertThat(Journal.left(path, CatalogueFile.standard())).isEmpty();
    asked.getFirst().close();
    assertThat(left()).containsExactly(first);
  }

  @Test
  void aHalfWrittenOrUnreadableJournalIsNone() throws Exception {
    var disk = spy(Disk.REAL);
    doThrow(new IOException("dead")).when(disk).rename(any(), any());
    var journal = Journal.of(path, disk);
    assertThatThrownBy(() -> journal.keep(first)).hasMessage("dead");
    journal.close();
    Files.writeString(folder.resolve("m.nelvar.json.unsaved-3"), "{ half");
    assertThat(left()).isEmpty();
    assertThat(folder.resolve("m.nelvar.json.unsaved-3")).as("left alone").exists();
  }

  /// The one name earlier versions used is found too.
  @Test
  void aJournalOfAnEarlierVersionIsFound() throws Exception {
    Files.write(folder.resolve("m.nelvar.json.unsaved"), ProjectFormat.write(first));
    assertThat(left()).containsExactly(first);
  }

  /// A program that is killed gives its name back without doing anything.
  @Test
  void aKilledProgramsJournalIsFound() throws Exception {
    var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    var other =
        new ProcessBuilder(
                java,
                "-cp",
                System.getProperty("java.class.path"),
                Keeper.class.getName(),
                path.toString())
            .redirectErrorStream(true)
            .start();
    try (var says = other.inputReader()) {
      assertThat(says.readLine()).isEqualTo("kept");
      assertThat(left()).as("it lives").isEmpty();
      other.destroyForcibly().waitFor();
    }
    assertThat(left()).extracting(Project::name).containsExactly("other");
  }

  /// Another program that keeps something and then waits to be killed.
  static final class Keeper {
    public static void main(String[] arguments) throws Exception {
      Journal.of(Path.of(arguments[0])).keep(NewProject.named("other"));
      System.out.println("kept");
      Thread.sleep(60_000);
    }
  }
}
