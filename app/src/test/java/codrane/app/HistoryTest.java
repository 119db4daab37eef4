package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.records.AuditTrail;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Who did what, page by page, of one person or one job. */
@ExtendWith(RunningApp.class)
class HistoryTest {
    @Test
    void acts_manyOfOnePerson_areShownPageByPage(App app) throws Exception {
        AuditTrail audit = app.bean(AuditTrail.class);
        for (int i = 1; i <= 60; i++) audit.record("the archivist", "looked through", "box " + i, "shelf <" + i + ">");
        WebSession lead = WebSession.signIn(app.url(), "lead");
        String first = lead.query("/records/acts?q=the+archivist");
        assertThat(first).contains("box 60<", "box 11<", "shelf &lt;60&gt;").doesNotContain("box 10<");
        String older = first.replaceAll("(?s).*href=\"(/records/acts\\?[^\"]*)\">Older acts.*", "$1")
                .replace("&amp;", "&");
        assertThat(lead.query(older)).contains("box 10<", "box 1<").doesNotContain("box 11<", "Older acts");
    }

    @Test
    void acts_ofOneThing_areFoundWhoeverDidThem(App app) throws Exception {
        AuditTrail audit = app.bean(AuditTrail.class);
        audit.record("tech", "started run", "job 987654", "5 tasks");
        audit.record("lead", "closed", "job 987654", "mended");
        audit.record("lead", "closed", "job 987653", "another");
        WebSession desk = WebSession.signIn(app.url(), "desk");
        assertThat(desk.query("/records/acts?q=987654"))
                .contains("started run", "mended", "href=\"/jobs/987654/now\"")
                .doesNotContain("another");
        assertThat(desk.query("/records/acts?q=nobody+of+that+name")).contains("Nothing is written down of that.");
    }

    @Test
    void pages_ofNonsense_sayWhatIsWrongAndNothingElse(App app) throws Exception {
        WebSession tech = WebSession.signIn(app.url(), "tech");
        assertThat(tech.status("/records?before=x")).isEqualTo(404);
        assertThat(tech.status("/records/acts?q=%00")).isIn(200, 400, 404);
        assertThat(tech.query("/records?before=-1")).contains("No run is older than that.");
    }
}
