package codrane.core.run;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.pack.PackModule.Resume;

/** How far a module says that a transfer got. On the wire: one octet of state, four of the next free address. */
public sealed interface TransferState {
    int VERIFIED = 3;
    int PARTIAL = 2;

    /** The whole content is there and checked. */
    record Verified() implements TransferState {}

    /** @param next first address that is not yet written */
    record Partial(long next) implements TransferState {}

    /** Nothing usable: erase and begin again. */
    record FromErase() implements TransferState {}

    static TransferState of(Bytes report, RunTask.Program program) {
        return DecodeResult.<TransferState>read(report, in -> {
                    int state = in.u8("state");
                    long next = in.u32("next free address");
                    in.rest();
                    if (state == VERIFIED) return new Verified();
                    boolean canGoOn = program.module().flash().orElseThrow().resume() == Resume.FROM_ADDRESS;
                    boolean inside = next >= program.start() && next < program.start() + program.length();
                    return state == PARTIAL && canGoOn && inside ? new Partial(next) : new FromErase();
                })
                .orElse(new FromErase());
    }
}
