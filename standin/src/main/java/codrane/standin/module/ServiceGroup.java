package codrane.standin.module;

import codrane.core.uds.Service;
import codrane.core.uds.UdsRequest;
import java.util.Map;

/** Services that belong together. */
interface ServiceGroup {
    /** The services that it serves, with what the server checks before it is asked. */
    Map<Service, Rule> rules();

    /** Answers a request that passed the rule of its service. */
    void serve(UdsRequest request, Answer answer);
}
