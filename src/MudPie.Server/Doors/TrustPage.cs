using System.Net;
using MudPie.Server.Held;

namespace MudPie.Server.Doors;

/// <summary>The one plain page: how a phone comes to trust this machine. On its port there is nothing else.</summary>
internal static class TrustPage
{
    private const string File = "/mud-pie-authority.crt";

    public static async Task Serve(HttpContext context, YardDoor door, Reached reached)
    {
        var response = context.Response;
        response.Headers["X-Content-Type-Options"] = "nosniff";
        response.Headers.CacheControl = "no-store";
        if (door.AuthorityBytes is not { } authority || reached.Yard is not { } yard || !HttpMethods.IsGet(context.Request.Method)
            || (context.Request.Path != "/" && context.Request.Path != File))
        {
            response.StatusCode = 403;
            response.ContentType = "text/plain; charset=utf-8";
            await response.WriteAsync($"This address hands out the certificate, and nothing else. Mud Pie itself is at {reached.Yard}\n");
            return;
        }

        if (context.Request.Path == File)
        {
            response.ContentType = "application/x-x509-ca-cert";
            response.Headers.ContentDisposition = "attachment; filename=mud-pie-authority.crt";
            await response.Body.WriteAsync(authority, context.RequestAborted);
            return;
        }

        response.ContentType = "text/html; charset=utf-8";
        response.Headers.ContentSecurityPolicy = "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'; base-uri 'none'";
        await response.WriteAsync(Html(WebUtility.HtmlEncode(yard), door.Short ?? ""));
    }

    private static string Html(string yard, string fingerprint) => $$"""
        <!doctype html>
        <html lang="en">
        <meta charset="utf-8">
        <meta name="viewport" content="width=device-width, initial-scale=1">
        <title>Trust this machine once</title>
        <style>
          body { margin: 0; background: #f3ece0; color: #2b1d18; font: 1.125rem/1.5 "Atkinson Hyperlegible Next", system-ui, sans-serif; }
          main { max-width: 38rem; margin: 0 auto; padding: 1.5rem 1rem 4rem; }
          h1 { font-size: 1.9rem; line-height: 1.15; margin: 0 0 .5rem; }
          h2 { font-size: 1.25rem; margin: 1.6rem 0 .3rem; }
          b.print { display: block; font-size: 1.6rem; letter-spacing: .06em; padding: .4rem 0; font-variant-numeric: tabular-nums; }
          a.go { display: inline-block; background: #98411f; color: #fffaf0; font-weight: 700; padding: .8rem 1.4rem; border-radius: 999px;
            text-decoration: none; }
          a { color: #98411f; }
          li { margin: .35rem 0; }
          details { border-top: 1px solid #c9bba6; padding: .6rem 0; }
          summary { font-weight: 700; min-height: 2.5rem; cursor: pointer; }
        </style>
        <main>
        <h1>Trust this machine once</h1>
        <p>Mud Pie in the yard speaks in cipher. For that, this phone has to know its seal. Three steps, once for each phone.</p>
        <h2>1. Compare</h2>
        <p>These signs stand on the owner's screen too, under <i>Keep → People and copies</i>. If they differ, stop, and tell the owner:
        somebody else is answering.</p>
        <b class="print">{{fingerprint}}</b>
        <h2>2. Fetch the seal, and trust it</h2>
        <p><a class="go" href="{{File}}">Fetch the seal</a></p>
        <p>It is good for this machine's own names and network only. Before you trust it, the phone can show its SHA-256 fingerprint: it
        begins with the signs above.</p>
        <details open><summary>iPhone, iPad</summary><ol>
          <li>Settings → <i>Profile Downloaded</i> → Install.</li>
          <li>Settings → General → About → Certificate Trust Settings: switch it on.</li></ol></details>
        <details><summary>Android</summary><ol>
          <li>Settings → Security → More security → Encryption and credentials → Install a certificate → <i>CA certificate</i>, and choose
          the file that was fetched. Names differ a little from maker to maker; searching the settings for “CA certificate” finds it.</li>
          <li>Firefox asks for one thing more: Settings → About Firefox, touch its mark seven times; then Settings → Secret settings →
          <i>Use third party CA certificates</i>.</li></ol></details>
        <details><summary>A desk: Windows, macOS, Linux</summary><ol>
          <li>Windows: open the file → Install → <i>Trusted Root Certification Authorities</i>.</li>
          <li>macOS: open it in Keychain Access → Trust → Always Trust.</li>
          <li>Linux, and Firefox everywhere: the browser's settings → Certificates → Authorities → Import, for web
          sites.</li></ol></details>
        <h2>3. Open Mud Pie</h2>
        <p><a class="go" href="{{yard}}/">{{yard}}</a></p>
        <p>Then scan the owner's code to join. To take the trust away again, delete “Mud Pie on …” in the same settings.</p>
        </main>
        </html>
        """;
}
