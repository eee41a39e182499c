using MudPie.Records;
using MudPie.Server.Held;
using MudPie.Server.People;

namespace MudPie.Server;

/// <summary><c>mudpie owner FILE [NAME]</c>: the owner's password made, or made anew, by whoever has the file in hand.</summary>
public static class OwnerCommand
{
    /// <summary>Asks for the password twice, or reads it as one line where nobody sits at a keyboard.</summary>
    /// <returns>0, or 2 with the reason, and then nothing was changed.</returns>
    public static async Task<int> Run(string[] args, TextReader input, TextWriter output, TextWriter error)
    {
        var box = args.Length > 0 && Directory.Exists(args[0]); // who keeps a co-operative's box
        if (args.Length is < 1 or > 2 || !box && !File.Exists(args[0]))
        {
            await error.WriteLineAsync(args.Length is < 1 or > 2 ? "Say which file, and what the owner is called: ./mudpie owner "
                + "holding.mudpie \"the owner\"" : $"There is no {args[0]}.");
            return 2;
        }

        try
        {
            var file = box ? Path.Combine(args[0], "people" + OpenHoldings.End) : args[0];
            using var lease = HoldingLease.Take(file);
            HoldingFile.Prepare(file);
            var builder = WebApplication.CreateSlimBuilder();
            builder.Logging.ClearProviders(); // what somebody is asked stands alone
            builder.Configuration[box ? "Holding:Folder" : "Holding:File"] = args[0];
            builder.Services.AddSingleton(TimeProvider.System).AddHttpContextAccessor().AddHoldings()
                .AddForEach<Web.LiveFeed>();
            builder.AddPeople();
            await using var app = builder.Build();
            var password = await Ask("New password: ", input, output);
            if (!Console.IsInputRedirected && password != await Ask("Again: ", input, output))
            {
                await error.WriteLineAsync("They differ. Nothing was changed.");
                return 2;
            }

            using var scope = app.Services.GetRequiredService<OpenHoldings>().Door.Scopes.CreateScope();
            if (await scope.ServiceProvider.GetRequiredService<PeopleDesk>().SetOwner(args.ElementAtOrDefault(1) ?? "the owner", password)
                is { } refusal)
            {
                await error.WriteLineAsync($"{refusal.Problems[0].Wrong} {refusal.Problems[0].WayOut} Nothing was changed.");
                return 2;
            }

            await output.WriteLineAsync("It is set. Sittings that were open have ended; phones that have joined stay.");
            return 0;
        }
        catch (Exception e) when (FileTrouble.Of(e) is { } trouble)
        {
            await error.WriteLineAsync($"{trouble.Wrong} {trouble.WayOut}");
            return 2;
        }
    }

    private static async Task<string> Ask(string words, TextReader input, TextWriter output)
    {
        if (Console.IsInputRedirected)
        {
            return await input.ReadLineAsync() ?? "";
        }

        await output.WriteAsync(words);
        var typed = new System.Text.StringBuilder();
        for (var key = Console.ReadKey(true); key.Key != ConsoleKey.Enter; key = Console.ReadKey(true))
        {
            if (key.Key == ConsoleKey.Backspace && typed.Length > 0)
            {
                typed.Length--;
            }
            else if (!char.IsControl(key.KeyChar))
            {
                typed.Append(key.KeyChar);
            }
        }

        await output.WriteLineAsync();
        return typed.ToString();
    }
}
