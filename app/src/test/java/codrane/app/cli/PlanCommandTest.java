package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** {@code plan} as scripts see it. Packs and market rules are those of the checkout. */
class PlanCommandTest {
    private static final String SPREADER = "{'block':'spreader-main','field':'width','from':'6 m','to':'4.5'}";

    private static final String SWAPPED = "'said':{'identity':"
            + "{'doors':'swapped-before','gearbox':'swapped-before','tail-lift':'swapped-before'}}";

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    @TempDir
    Path folder;

    private int plan(String facts) throws IOException {
        out.reset();
        err.reset();
        Path file = Files.writeString(folder.resolve("facts.json"), facts.replace('\'', '"'));
        return Main.run(
                List.of("plan", file.toString(), "--json"),
                new PrintStream(out, true, StandardCharsets.UTF_8),
                new PrintStream(err, true, StandardCharsets.UTF_8));
    }

    private JsonNode result() {
        return new ObjectMapper().readTree(out.toString(StandardCharsets.UTF_8));
    }

    private List<String> questions() {
        List<String> ids = new ArrayList<>();
        result().path("questions").forEach(q -> ids.add(q.path("id").asString()));
        return ids;
    }

    private List<String> kinds() {
        List<String> kinds = new ArrayList<>();
        result().path("operations").forEach(o -> kinds.add(o.path("kind").asString()));
        return kinds;
    }

    private static String lorne(String kind, String more) {
        return "{'kind':'" + kind + "','pack':'brennick-lorne','vin':'0BKLR3A46MN004127',"
                + "'answers':{'body':{'vin':'0BKLR3A46MN004127','software':'3.31','coding':'agrees'},"
                + "'doors':{'vin':'0BKLR3A48MN004131','software':'2.4','coding':'agrees'},"
                + "'gearbox':{'vin':'0BKLR3A48MN004131','software':'2.07','coding':'for-another'},'key-reader':{},"
                + "'tail-lift':{'vin':'0BKLR3A48MN004131','software':'3.08','coding':'for-another',"
                + "'faults':[{'code':'U1301-00','status':'09'}]}}," + SWAPPED + more + "}";
    }

    private static String used(String module) {
        return ",'module':'" + module + "','part':{'origin':'second-hand','old':'gone'}";
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "K1 | '' | clear",
                "K2 | ,'module':'body','content':'altered' | program",
                "K4 | '' | baseline",
                "K9 | ,'module':'tail-lift','part':{'origin':'second-hand','old':'gone'} | write-coding",
                "K11 | ,'module':'gearbox','keys':{'known':2,'here':2},'part':{'origin':'second-hand','old':'silent'} | pair",
                "K13 | ,'module':'doors' | write-vin",
                "K16 | '' | baseline"
            })
    void plan_lorneKinds_areZeroAndHaveTheirOperation(String kind, String more, String operation) throws IOException {
        assertThat(plan(lorne(kind, more == null ? "" : more))).isZero();
        assertThat(kinds()).contains(operation);
        assertThat(result().path("kind").asString()).isEqualTo(kind);
    }

    @ParameterizedTest
    @CsvSource({"K5, sleep", "K19, write-coding"})
    void plan_settingKinds_sayFromAndTo(String kind, String operation) throws IOException {
        assertThat(plan("{'kind':'" + kind + "','pack':'ardwyn-gannet','vin':'0AWGN7K8XNN000052',"
                        + "'answers':{'spreader':{'coding':'agrees'}},'settings':[" + SPREADER + "]}"))
                .isZero();
        assertThat(kinds()).contains(operation);
        assertThat(out.toString(StandardCharsets.UTF_8)).contains("Spreading width: 6 m → 4.5 m.");
    }

    @Test
    void plan_scaledValue_takesAPresetByItsName() throws IOException {
        assertThat(plan("{'kind':'K19','pack':'ardwyn-gannet','vin':'0AWGN7K8XNN000052',"
                        + "'answers':{'spreader':{'coding':'agrees'}},'settings':["
                        + "{'block':'spreader-main','field':'width','from':'6 m','to':'One lane'}]}"))
                .isZero();
        assertThat(out.toString(StandardCharsets.UTF_8)).contains("Spreading width: 6 m → 3.5 m (one lane).");
    }

    @Test
    void plan_featureAndOrderAndVariant_onTheChorus() throws IOException {
        String chorus = "'pack':'tolvane-chorus','vin':'0TVCH5E12SN000318','gateway':'locked',"
                + "'answers':{'body':{},'doors':{},'ramp':{'vin':'','coding':'blank'},'announcements':{}}";
        assertThat(plan("{'kind':'K7'," + chorus + ",'feature':'counting','settings':["
                        + "{'block':'body-main','field':'wash','from':'no'}]}"))
                .isZero();
        assertThat(kinds()).containsSubsequence("unlock", "write-coding", "sleep", "relearn", "prove");
        assertThat(plan("{'kind':'K8'," + chorus
                        + ",'order':{'now':['MKT1','RMP1','WSH1','WCH2'],'out':['RMP1'],'in':['RMP2']}}"))
                .isZero();
        assertThat(kinds()).containsSubsequence("write-order", "derive-coding", "write-coding", "initialise");
        assertThat(plan("{'kind':'K17'," + chorus + ",'settings':["
                        + "{'block':'announce-main','field':'variant','from':'plain','to':'speech'}]}"))
                .isZero();
        JsonNode write = null;
        for (JsonNode operation : result().path("operations"))
            if (operation.path("kind").asString().equals("write-coding")) write = operation;
        assertThat(write.path("irreversible").asBoolean()).isTrue();
    }

    @Test
    void plan_severalKindsOfEquipment_areOnePlanOrBlockedWithTheReason() throws IOException {
        String chorus = "{'kind':'K7','pack':'tolvane-chorus','vin':'0TVCH5E12SN000318','gateway':'locked',"
                + "'answers':{'body':{},'doors':{}},'settings':[{'block':'body-main','field':'wash','from':'no'}],";
        for (String together : List.of("'features':['counting','mirrors-dip']", "'feature':['counting','mirrors-dip']"))
            assertThat(plan(chorus + together + "}")).isZero();
        assertThat(result().path("decisions").toString())
                .contains("Passenger counting is several settings that belong together.")
                .contains("They need what comes with them: Mirrors remember their place.");
        assertThat(plan(chorus + "'features':['counting','wash']}")).isEqualTo(1);
        assertThat(result().path("blocks").toString())
                .contains("Passenger counting does not go with Wash mode. Decide which of them stays.");
        assertThat(plan(chorus + "'features':['counting','time-travel']}")).isEqualTo(1);
        assertThat(result().path("questions").toString()).contains("\"features\"", "knows no equipment");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "K3 | brennick-almery | 0BKAM7D26RN001906 | 'gateway':'locked','module':'engine','answers':{'engine':{'software':'4.11','coding':'agrees'},'gearbox':{'software':'2.05'}} | program",
                "K6 | brennick-almery | 0BKAM7D26RN001906 | 'gateway':'authorised','answers':{'body':{}},'settings':[{'block':'body-lamps','field':'lamp.step.hold','from':'5 s','to':'10 s'}] | sleep",
                "K10 | ardwyn-gannet | 0AWGN7K88KN000417 | 'module':'spreader','part':{'origin':'new','old':'silent'},'answers':{'spreader':{'presence':'boot-only','coding':'blank','vin':''}} | initialise",
                "K12 | peregil-dunlin | 0PGDN4B2ZHC013377 | 'module':'body','keys':{'known':3,'here':2},'part':{'origin':'new','old':'silent'},'answers':{'body':{'vin':'','software':'5.2','coding':'blank'},'engine':{},'key-reader':{}} | add-key",
                "K14 | brennick-almery | 0BKAM7D26RN001906 | 'gateway':'locked','module':'front-radar','part':{'origin':'new','old':'speaks'},'answers':{'front-radar':{'vin':'','software':'2.02','coding':'blank'}} | swap",
                "K14 | brennick-almery | 0BKAM7D26RN001906 | 'gateway':'locked','module':'front-radar','part':{'origin':'new','old':'read'},'answers':{'front-radar':{'vin':'','software':'2.02','coding':'blank'}} | calibrate"
            })
    void plan_otherKinds_areZeroAndHaveTheirOperation(
            String kind, String pack, String vin, String more, String operation) throws IOException {
        assertThat(plan("{'kind':'" + kind + "','pack':'" + pack + "','vin':'" + vin + "'," + more + "}"))
                .as(out.toString(StandardCharsets.UTF_8))
                .isZero();
        assertThat(kinds()).contains(operation);
    }

    /** The keeper of the secret is new: every member is paired, keys that are not here are lost. */
    @Test
    void keysPlan_isThePartOfThePlanThatIsAboutKeys() throws IOException {
        String facts = "{'kind':'K12','pack':'peregil-dunlin','vin':'0PGDN4B2ZHC013377','module':'body',"
                + "'keys':{'known':3,'here':2},'part':{'origin':'new','old':'silent'},"
                + "'answers':{'body':{'vin':'','software':'5.2','coding':'blank'},'engine':{},'key-reader':{}}}";
        assertThat(plan(facts)).isZero();
        JsonNode whole = result();
        Path file = folder.resolve("facts.json");
        out.reset();
        assertThat(Main.run(
                        List.of("keys", "plan", file.toString(), "--json"),
                        new PrintStream(out, true, StandardCharsets.UTF_8),
                        new PrintStream(err, true, StandardCharsets.UTF_8)))
                .isZero();
        JsonNode keys = result().path("keys");
        assertThat(keys).isEqualTo(whole.path("keys"));
        assertThat(keys.path("keeper").asString()).isEqualTo("body");
        assertThat(keys.path("paired").toString()).contains("engine", "key-reader");
        assertThat(keys.path("learned").asInt()).isEqualTo(2);
        assertThat(keys.path("lost").asInt()).isEqualTo(1);
        assertThat(kinds()).isNotEmpty().allMatch(kind -> kind.equals("pair") || kind.equals("add-key"));
        assertThat(plan(lorne("K9", used("tail-lift")))).isZero();
        assertThat(result().has("keys")).isFalse();
    }

    @Test
    void plan_newTool_needsNoVehicle() throws IOException {
        assertThat(plan("{'kind':'K18'}")).isZero();
        assertThat(kinds()).containsOnly("set-up");
    }

    @Test
    void plan_members_areThoseOfTheDocumentation() throws IOException {
        assertThat(plan(lorne("K9", used("tail-lift") + ",'date':'2026-11-27','wording':'Configure it.'")))
                .isZero();
        JsonNode result = result();
        assertThat(result.propertyNames())
                .containsExactly(
                        "schema",
                        "kind",
                        "pack",
                        "vin",
                        "blocked",
                        "blocks",
                        "expectedMs",
                        "operations",
                        "decisions",
                        "wording",
                        "power",
                        "codingSources",
                        "law",
                        "faults",
                        "beside",
                        "readiness");
        assertThat(result.path("schema").asString()).isEqualTo("codrane.plan/1");
        assertThat(result.path("operations").get(0).propertyNames())
                .containsExactly(
                        "kind",
                        "module",
                        "title",
                        "writes",
                        "irreversible",
                        "reasons",
                        "needs",
                        "holdPoints",
                        "safeToStop",
                        "ifLeftHere",
                        "expectedMs",
                        "prompts",
                        "cautions",
                        "onlyIf");
        assertThat(result.path("power").path("startVolts").asDouble()).isEqualTo(13.3);
        assertThat(result.path("wording").path("configure").asString()).isEqualTo("Configure it.");
        assertThat(result.path("codingSources").get(1).path("state").asString()).isEqualTo("to-get");
        assertThat(result.path("readiness").path("earliestStart").asString()).isGreaterThan("2026-11-27T08");
    }

    @Test
    void plan_sameFacts_giveTheSameOctets() throws IOException {
        String facts = lorne("K9", used("tail-lift") + ",'date':'2026-11-27'");
        plan(facts);
        String first = out.toString(StandardCharsets.UTF_8);
        for (int i = 0; i < 5; i++) {
            plan(facts);
            assertThat(out.toString(StandardCharsets.UTF_8)).isEqualTo(first);
        }
    }

    @Test
    void plan_fileByMailOnAFriday_startsOnMonday() throws IOException {
        assertThat(plan("{'kind':'K15','pack':'peregil-dunlin','vin':'0PGDN4B2ZHC013377','date':'2026-11-27',"
                        + "'module':'steering','part':{'origin':'new','old':'silent','state':'boxed'},"
                        + "'answers':{'steering':{'presence':'boot-only','coding':'blank'},'body':{}}}"))
                .isZero();
        assertThat(result().path("readiness").path("earliestStart").asString()).isEqualTo("2026-11-30T10:00:00Z");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{} | which-kind which-pack",
                "{'kind':'K99','pack':'brennick-lorne'} | which-kind",
                "{'kind':'K16','pack':'brennick-lorne'} | which-vehicle",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A45MN004127'} | which-vehicle",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127'} | nothing-answers",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','colour':'blue','answers':{'body':{}}} | not-understood",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','answers':{'body':{'presence':'silent','software':'1'}}} | silent-with-answers",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','answers':{'body':{'presence':'boot-only','software':'1'}}} | boot-only-with-software",
                "{'kind':'K9','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','answers':{'body':{}}} | which-module",
                "{'kind':'K9','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','module':'warp-drive','answers':{'body':{}}} | which-module",
                "{'kind':'K9','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','module':'body','answers':{'body':{}}} | part-origin old-module",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','gateway':'ajar','answers':{'body':{}}} | not-understood",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','gateway':'locked','answers':{'body':{}}} | gateway-where-none-is",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','date':'soon','answers':{'body':{}}} | which-day",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','market':'moon','answers':{'body':{}}} | which-market",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','keys':{'known':-1},'answers':{'body':{}}} | keys",
                "{'kind':'K16','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','overrules':[{'school':'software','answer':'program'}],'answers':{'body':{}}} | why-overruled",
                "{'kind':'K5','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','settings':[{'block':'body-main','field':'nothing','to':'1'}],'answers':{'body':{}}} | which-settings",
                "{'kind':'K19','pack':'ardwyn-gannet','vin':'0AWGN7K8XNN000052','settings':[{'block':'spreader-main','field':'width','to':'wide'}],'answers':{'body':{}}} | to-what",
                "{'kind':'K1','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','answers':{'body':{'faults':[{'code':'oops'}]}}} | which-fault",
                "{'kind':'K13','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','module':'doors','answers':{'doors':{}}} | not-asked",
                "{'kind':'K3','pack':'brennick-almery','vin':'0BKAM7D26RN001906','gateway':'locked','module':'engine','answers':{'engine':{'software':'4.11'}}} | not-asked",
                "{'kind':'K1','pack':'brennick-lorne','vin':'0BKLR3A46MN004127','answers':'all'} | not-understood"
            })
    void plan_incompleteOrContradictory_asksByNameAndIsOne(String facts, String ids) throws IOException {
        assertThat(plan(facts)).isEqualTo(1);
        assertThat(questions()).contains(ids.split(" "));
        assertThat(result().has("operations")).isFalse();
        result().path("questions").forEach(q -> {
            assertThat(q.path("text").asString()).endsWith("?");
            assertThat(q.path("fact").asString()).isNotEmpty();
        });
    }

    @Test
    void plan_refusedByLaw_isOneAndBlocked() throws IOException {
        assertThat(plan("{'kind':'K5','pack':'brennick-almery','vin':'0BKAM7D26RN001906','gateway':'locked',"
                        + "'answers':{'engine':{'coding':'agrees'}},'settings':["
                        + "{'block':'engine-vehicle','field':'idle.raise','from':'yes','to':'no'}]}"))
                .isEqualTo(1);
        assertThat(result().path("blocked").asBoolean()).isTrue();
        assertThat(result().path("blocks").get(0).asString()).contains("Island Roads Order part 4");
        assertThat(kinds()).containsExactly("scan", "baseline");
    }

    @Test
    void plan_noJsonOrNoFile_isTwo() throws IOException {
        assertThat(plan("{'kind':")).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("\"class\" : \"usage\"");
        assertThat(plan("[]")).isEqualTo(2);
        assertThat(Main.run(
                        List.of("plan", "nowhere.json"),
                        System.out,
                        new PrintStream(err, true, StandardCharsets.UTF_8)))
                .isEqualTo(2);
    }

    @Test
    void partCheck_yearLockAndConsequence_areSaid() {
        List<String> words = List.of(
                "part",
                "check",
                "brennick-lorne",
                "tail-lift",
                "BK-67220-B2",
                "BK-67220-B3",
                "--vin",
                "0BKLR3A46MN004127",
                "--json");
        assertThat(Main.run(words, new PrintStream(out, true, StandardCharsets.UTF_8), System.err))
                .isZero();
        assertThat(result().path("modelYear").asString())
                .contains("2018 to 2026")
                .contains("is of 2021");
        assertThat(result().path("mayContain").get(1).asString()).contains("VIN and coding");
        assertThat(result().path("ifWrong").get(0).asString()).contains("can go back");
    }
}
