using System.Text.Json;
using MudPie.Server.Web;

namespace MudPie.Server.Calculators;

/// <summary><c>mudpie calc NAME &lt; question.json &gt; answer.json</c>: no server, no database.</summary>
public static class CalcCommand
{
    private static readonly JsonSerializerOptions Pretty = new(Json.Options) {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping
    };

    /// <summary>0 with the answer on <paramref name="output"/>, or 2 with the refusal on <paramref name="error"/>.</summary>
    public static int Run(string[] args, TextReader input, TextWriter output, TextWriter error)
    {
        if (args.Length == 0)
        {
            foreach (var c in Catalogue.All)
            {
                output.WriteLine($"{c.Name,-20}{c.Line}");
            }

            return 0;
        }

        var found = Catalogue.Find(args[0]);
        if (found is null)
        {
            error.WriteLine($"There is no calculator “{args[0]}”. ./mudpie calc lists them.");
            return 2;
        }

        if (args.Contains("--schema"))
        {
            output.WriteLine(found.Schema().ToJsonString(Pretty));
            return 0;
        }

        var (answer, refused) = found.Answer(input.ReadToEnd(), default);
        if (refused is not null)
        {
            error.WriteLine(JsonSerializer.Serialize(Problems.Details(refused), Pretty));
            return 2;
        }

        output.WriteLine(answer!.ToJsonString(Pretty));
        return 0;
    }
}
