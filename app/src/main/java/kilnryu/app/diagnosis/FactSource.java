package kilnryu.app.diagnosis;

import kilnryu.app.account.Account;
import kilnryu.app.plan.Plans;

/** A stage of the work that knows something of how a tree was made; those that know it by measure come first. */
public interface FactSource {
    void tell(Account account, Plans.Saved tree, OnRecord found);
}
