package nelvar.core.file;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import nelvar.core.catalogue.Article;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Designation;
import nelvar.core.model.Id;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Capacitance;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.Frequency;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Price;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;
import nelvar.core.units.Resistance;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Significant;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.EnumNamingStrategy;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.annotation.EnumNaming;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.AnnotatedClass;
import tools.jackson.databind.introspect.AnnotatedMember;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.util.NameTransformer;

/// How records of the model stand in JSON: quantities as people write them with their unit, enums
/// as kebab-case words, parts with their `kind`, absent optionals and empty lists left out. Strict:
/// unknown, missing, doubled or null refused.
public final class NelvarJson {
  /// The largest file that is read: a panel of 10,000 conductors is about 3 MB.
  public static final long GREATEST_FILE = 64L << 20;

  private static final JsonMapper MAPPER = build();

  private NelvarJson() {}

  public static JsonMapper mapper() {
    return MAPPER;
  }

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  private interface ByKind {}

  private static JsonMapper build() {
    var constraints =
        StreamReadConstraints.builder()
            .maxNestingDepth(40)
            .maxDocumentLength(GREATEST_FILE)
            .maxStringLength(100_000)
            .maxNumberLength(60)
            .maxNameLength(200)
            .build();
    var factory =
        JsonFactory.builder()
            .streamReadConstraints(constraints)
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();
    return JsonMapper.builder(factory)
        .annotationIntrospector(new RequiredUnlessOptional())
        .addModule(quantities())
        .addMixIn(Part.class, ByKind.class)
        .registerSubtypes(partKinds())
        .disable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
        .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
        .enable(
            DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES,
            DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES,
            DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
        .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
        .changeDefaultPropertyInclusion(_ ->
            JsonInclude.Value.construct(JsonInclude.Include.NON_EMPTY, JsonInclude.Include.ALWAYS))
        .withConfigOverride(
            List.class,
            list ->
                list.setNullHandling(
                    com.fasterxml.jackson.annotation.JsonSetter.Value.construct(
                        Nulls.AS_EMPTY, Nulls.FAIL)))
        .withConfigOverride(
            String.class,
            string ->
                string.setInclude(
                    JsonInclude.Value.construct(
                        JsonInclude.Include.ALWAYS, JsonInclude.Include.ALWAYS)))
        .build();
  }

  private static NamedType[] partKinds() {
    return Arrays.stream(Part.class.getPermittedSubclasses())
        .map(kind -> new NamedType(kind, kindName(kind)))
        .toArray(NamedType[]::new);
  }

  /// `CircuitBreaker` → `circuit-breaker`.
  public static String kindName(Class<?> kind) {
    return kind.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
  }

  /// Everything must be said but optionals and lists; enums are words in kebab-case.
  private static final class RequiredUnlessOptional extends JacksonAnnotationIntrospector {
    private static final long serialVersionUID = 1;

    @Override
    public Boolean hasRequiredMarker(MapperConfig<?> config, AnnotatedMember member) {
      var type = member.getType().getRawClass();
      return type != Optional.class && type != List.class;
    }

    /// What every part is as an article stands beside its own properties.
    @Override
    public NameTransformer findUnwrappingNameTransformer(
        MapperConfig<?> config, AnnotatedMember member) {
      return member.getType().hasRawClass(Article.class)
          ? NameTransformer.NOP
          : super.findUnwrappingNameTransformer(config, member);
    }

    @Override
    public Object findEnumNamingStrategy(MapperConfig<?> config, AnnotatedClass annotated) {
      return annotated.getRawType().isAnnotationPresent(EnumNaming.class)
          ? super.findEnumNamingStrategy(config, annotated)
          : Kebab.class;
    }
  }

  /// `TN_C_S` → `tn-c-s`.
  public static final class Kebab implements EnumNamingStrategy {
    @Override
    public String convertEnumToExternalName(
        MapperConfig<?> config, AnnotatedClass annotated, String name) {
      return name.toLowerCase(Locale.ROOT).replace('_', '-');
    }
  }

  private static SimpleModule quantities() {
    var module = new SimpleModule("quantities");
    quantity(module, Current.class, Kind.CURRENT);
    quantity(module, Voltage.class, Kind.VOLTAGE);
    quantity(module, Power.class, Kind.POWER);
    quantity(module, Length.class, Kind.LENGTH);
    quantity(module, CrossSection.class, Kind.CROSS_SECTION);
    quantity(module, Capacitance.class, Kind.CAPACITANCE);
    quantity(module, Resistance.class, Kind.RESISTANCE);
    quantity(module, ResistancePerLength.class, Kind.RESISTANCE_PER_LENGTH);
    quantity(module, Temperature.class, Kind.TEMPERATURE);
    quantity(module, Percent.class, Kind.PERCENT);
    quantity(module, Duration.class, Kind.DURATION);
    quantity(module, Frequency.class, Kind.FREQUENCY);
    quantity(module, Energy.class, Kind.ENERGY);
    text(
        module,
        Measure.class,
        measure -> Significant.exact(measure.value()) + " " + measure.unit().sign(),
        NelvarJson::measure);
    text(
        module,
        MainsVoltage.class,
        MainsVoltage::exact,
        written -> MainsVoltage.read(written).orThrow());
    text(
        module,
        VoltageRange.class,
        range ->
            Significant.exact(range.least().volts())
                + "–"
                + Significant.exact(range.greatest().volts())
                + " V",
        NelvarJson::voltageRange);
    text(module, Price.class, Price::toString, Price::of);
    text(module, Id.class, Id::text, (written, known) -> known.id(written));
    text(module, Subject.class, Subject::text, Subject::of);
    text(module, Designation.class, Designation::text, Designation::new);
    text(
        module,
        TerminalRef.class,
        TerminalRef::toString,
        (written, known) -> {
          var ref = TerminalRef.of(written);
          return new TerminalRef(known.id(ref.device()), known.mark(ref.terminal()));
        });
    return module;
  }

  private static <Q extends Quantity> void quantity(
      SimpleModule module, Class<Q> type, Kind<Q> kind) {
    text(module, type, value -> write(value, kind), written -> kind.readStrict(written).orThrow());
  }

  /// The value in full precision with its unit, so that reading gives the same value back.
  public static <Q extends Quantity> String write(Q value, Kind<Q> kind) {
    if (value instanceof CrossSection section && section.exactGauge().isPresent())
      return section.exactGauge().get();
    return Significant.exact(value.si()) + " " + kind.ownUnit();
  }

  /// Masses, speeds, sound levels: what parts and functions hold of the rarer units.
  private static Measure measure(String text) {
    for (var unit :
        List.of(
            Measure.Unit.ROTATION,
            Measure.Unit.FEED,
            Measure.Unit.TORQUE,
            Measure.Unit.INDUCTANCE,
            Measure.Unit.INERTIA,
            Measure.Unit.AIR_FLOW,
            Measure.Unit.HEAT_PER_KELVIN,
            Measure.Unit.SOUND))
      if (Kind.of(unit).readStrict(text) instanceof Reading.Value<Measure>(var value)) return value;
    return Kind.of(Measure.Unit.MASS).readStrict(text).orThrow();
  }

  private static VoltageRange voltageRange(String text) {
    var parts = text.replace("V", "").split("\\s*[–…]\\s*|(?<=[0-9])\\s*-\\s*|\\s+to\\s+");
    if (parts.length != 2)
      throw new ImpossibleQuantity(
          "'" + text + "' is not a voltage range: write it such as 10–30 V");
    return new VoltageRange(
        Kind.VOLTAGE.read(parts[0]).orThrow(), Kind.VOLTAGE.read(parts[1]).orThrow());
  }

  /// What was read before in the same file: a large one names each device and terminal mark many
  /// times, and keeps each once.
  private static final class Known {
    private final Map<String, Id> ids = new HashMap<>();
    private final Map<String, String> marks = new HashMap<>();

    Id id(String text) {
      var known = ids.get(text);
      return known != null ? known : id(new Id(text));
    }

    Id id(Id id) {
      var known = ids.putIfAbsent(id.text(), id);
      return known == null ? id : known;
    }

    String mark(String mark) {
      var known = marks.putIfAbsent(mark, mark);
      return known == null ? mark : known;
    }

    static Known in(DeserializationContext context) {
      if (context.getAttribute(Known.class) instanceof Known known) return known;
      var known = new Known();
      context.setAttribute(Known.class, known);
      return known;
    }
  }

  private static <T> void text(
      SimpleModule module, Class<T> type, Function<T, String> write, Function<String, T> read) {
    text(module, type, write, (written, _) -> read.apply(written));
  }

  private static <T> void text(
      SimpleModule module,
      Class<T> type,
      Function<T, String> write,
      BiFunction<String, Known, T> read) {
    module.addSerializer(
        type,
        new ValueSerializer<T>() {
          @Override
          public void serialize(T value, JsonGenerator out, SerializationContext context) {
            out.writeString(write.apply(value));
          }
        });
    module.addDeserializer(
        type,
        new ValueDeserializer<T>() {
          @Override
          public T deserialize(JsonParser in, DeserializationContext context) {
            if (in.currentToken() != JsonToken.VALUE_STRING) {
              throw DatabindException.from(
                  in,
                  "expected a text in quotes with its unit, found " + describe(in.currentToken()));
            }
            try {
              return read.apply(in.getString(), Known.in(context));
            } catch (ImpossibleQuantity impossible) {
              throw DatabindException.from(in, impossible.getMessage(), impossible);
            }
          }
        });
  }

  static String describe(JsonToken token) {
    return switch (token) {
      case START_OBJECT, END_OBJECT, PROPERTY_NAME -> "an object { }";
      case START_ARRAY, END_ARRAY -> "a list [ ]";
      case VALUE_STRING -> "a text";
      case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT -> "a number without unit";
      case VALUE_TRUE, VALUE_FALSE -> "true or false";
      case VALUE_NULL -> "null";
      case NOT_AVAILABLE, VALUE_EMBEDDED_OBJECT -> "nothing";
    };
  }

  /// The kinds of parts, in words, for messages.
  static List<String> kindNames() {
    var names = new ArrayList<String>();
    for (var kind : Part.class.getPermittedSubclasses()) names.add(kindName(kind));
    names.sort(null);
    return names;
  }
}
