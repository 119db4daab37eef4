package codrane.app;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.job.HoldActs;
import codrane.app.stage.decide.PlanActs;
import codrane.app.stage.record.RecordActs;
import codrane.core.plan.HoldPoint;

/** Acts of several rooms, as tests call them. */
record TestActs(App app) {
    static TestActs of(App app) {
        return new TestActs(app);
    }

    Acted keep(long number, HoldPoint point, String who, String why) {
        return app.bean(HoldActs.class).keep(number, point, who, why);
    }

    Acted waive(long number, HoldPoint point, String who, String why) {
        return app.bean(HoldActs.class).waive(number, point, who, why);
    }

    Acted plan(long number, String who) {
        return app.bean(PlanActs.class).plan(number, who);
    }

    Acted close(long number, String who) {
        return app.bean(RecordActs.class).close(number, who);
    }

    Acted reopen(long number, String who, String why) {
        return app.bean(RecordActs.class).reopen(number, who, why);
    }
}
