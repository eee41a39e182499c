using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;
using MudPie.Core.Workings;

namespace MudPie.Records;

/// <summary>Looks before each question to the file whether anybody still waits for the answer: SQLite's own calls can't be cancelled while
/// they run.</summary>
internal sealed class PatientCommands : DbCommandInterceptor
{
    public override InterceptionResult<DbDataReader> ReaderExecuting(DbCommand command, CommandEventData eventData,
        InterceptionResult<DbDataReader> result)
    {
        Patience.Check();
        return result;
    }

    public override ValueTask<InterceptionResult<DbDataReader>> ReaderExecutingAsync(DbCommand command, CommandEventData eventData,
        InterceptionResult<DbDataReader> result, CancellationToken cancellationToken = default)
    {
        Patience.Check();
        return ValueTask.FromResult(result);
    }
}
