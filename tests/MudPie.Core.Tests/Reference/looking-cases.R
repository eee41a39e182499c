# Makes looking-cases.json: what R says of counts, shares, middles and differences, for Exact and the checks of the ground.
# Run: Rscript looking-cases.R > looking-cases.json, in this folder   (R 4.2; base packages only)
num <- function(x) format(x, digits = 12, scientific = FALSE)
arr <- function(x) paste0("[", paste(sapply(x, num), collapse = ","), "]")
obj <- function(...) { l <- list(...); paste0("{", paste(sprintf("\"%s\":%s", names(l), l), collapse = ","), "}") }
lst <- function(x) paste0("[", paste(x, collapse = ",\n"), "]")
set.seed(13)

shares <- lapply(list(c(6, 8), c(0, 8), c(8, 8), c(3, 12), c(1, 1), c(17, 40)), function(p) {
  b <- binom.test(p[1], p[2]); obj(some = p[1], all = p[2], lower = num(b$conf.int[1]), upper = num(b$conf.int[2])) })
rates <- lapply(list(c(34, 3), c(0, 1), c(1, 4), c(13, 3), c(250, 10)), function(p) {
  b <- poisson.test(p[1], p[2]); obj(count = p[1], units = p[2], lower = num(b$conf.int[1]), upper = num(b$conf.int[2])) })
ratios <- lapply(list(c(34, 3, 13, 3), c(5, 1, 0, 1), c(0, 2, 7, 3), c(12, 4, 20, 3)), function(p) {
  b <- poisson.test(c(p[1], p[3]), c(p[2], p[4]))
  hi <- b$conf.int[2]
  obj(after = p[1], unitsAfter = p[2], before = p[3], unitsBefore = p[4], lower = num(b$conf.int[1]), upper = if (is.finite(hi)) num(hi) else "null") })
over <- lapply(list(list(c(4, 20, 10), c(1, 9, 3)), list(c(11, 12, 11), c(4, 5, 4)), list(c(30, 2, 14, 8), c(3, 0, 9, 1))), function(p) {
  d <- data.frame(y = c(p[[1]], p[[2]]), g = factor(rep(c("after", "before"), c(length(p[[1]]), length(p[[2]]))), levels = c("before", "after")))
  m <- glm(y ~ g, quasipoisson, d); phi <- summary(m)$dispersion; b <- coef(m)[2]
  se <- sqrt(max(1, phi) * (1 / sum(p[[1]]) + 1 / sum(p[[2]]))); t <- qt(0.975, m$df.residual)
  obj(after = arr(p[[1]]), before = arr(p[[2]]), ratio = num(exp(b)), lower = num(exp(b - t * se)), upper = num(exp(b + t * se)), dispersion = num(phi)) })
medians <- lapply(c(3, 5, 6, 7, 10, 13, 20), function(n) {
  x <- round(rgamma(n, 6, 4), 2); s <- sort(x)
  k <- sum(2 * pbinom(0:((n - 1) %/% 2), n, 0.5) <= 0.05 & seq_along(0:((n - 1) %/% 2)) <= (n - 1) %/% 2)
  obj(x = arr(x), middle = num(median(x)), lower = num(s[max(1, k)]), upper = num(s[n + 1 - max(1, k)]), bounded = if (k > 0) "true" else "false",
      coverage = if (k > 0) num(1 - 2 * pbinom(k - 1, n, 0.5)) else "0") })
welch <- lapply(list(list(c(2.0, 2.2, 2.1), c(2.8, 3.0, 2.9)), list(round(rnorm(10, 2.1, 0.4), 2), round(rnorm(10, 2.9, 0.5), 2)), list(c(1, 5), c(2, 2.5, 3))), function(p) {
  b <- t.test(p[[1]], p[[2]]); obj(after = arr(p[[1]]), before = arr(p[[2]]), lower = num(b$conf.int[1]), upper = num(b$conf.int[2])) })
cat(obj(shares = lst(shares), rates = lst(rates), ratios = lst(ratios), overdispersed = lst(over), medians = lst(medians), welch = lst(welch)))
