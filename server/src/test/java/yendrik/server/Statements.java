package yendrik.server;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javax.sql.DataSource;
import net.ttddyy.dsproxy.ExecutionInfo;
import net.ttddyy.dsproxy.QueryInfo;
import net.ttddyy.dsproxy.listener.MethodExecutionContext;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;

/** Counts what goes to the database: statements, and transactions in which any was said. */
final class Statements {
  private final List<String> said = new ArrayList<>();
  private final Set<String> begun = new HashSet<>();
  private int transactions;

  DataSource counting(DataSource source) {
    return ProxyDataSourceBuilder.create(source)
        .afterQuery(this::query)
        .afterMethod(this::method)
        .build();
  }

  private synchronized void query(ExecutionInfo execution, List<QueryInfo> queries) {
    queries.forEach(q -> said.add(q.getQuery()));
    try {
      if (execution.getStatement().getConnection().getAutoCommit()) transactions++;
      else begun.add(execution.getConnectionId());
    } catch (java.sql.SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  private synchronized void method(MethodExecutionContext context) {
    if (context.getMethod().getName().equals("commit")
        && begun.remove(context.getConnectionInfo().getConnectionId())) transactions++;
  }

  synchronized void forget() {
    said.clear();
    begun.clear();
    transactions = 0;
  }

  synchronized List<String> said() {
    return List.copyOf(said);
  }

  /** A statement on its own is a transaction too. */
  synchronized int transactions() {
    return transactions;
  }
}
