# Makes outside-cases.json: what R says of made-up trials, for the core to be tested against.
# Run: Rscript outside-cases.R > outside-cases.json, in this folder   (R 4.2 with multcomp, car, metafor, jsonlite)
suppressMessages({library(multcomp); library(car); library(metafor); library(jsonlite)})
set.seed(41)
num <- function(x) as.numeric(x)
lines <- function(a, terms) lapply(terms, function(t) list(term = t, df = num(a[t, "Df"]), ss = num(a[t, "Sum Sq"]), f = num(a[t, "F value"]), p = num(a[t, "Pr(>F)"])))
out <- list()

# Blocks with two plots missing: marginal tests, adjusted means, Dunnett.
d <- expand.grid(treatment = c("nothing", "water", "tea"), block = paste0("b", 1:5), stringsAsFactors = FALSE)
d$y <- round(2.5 + c(nothing = 0, water = 0.25, tea = 0.45)[d$treatment] + rep(rnorm(5, 0, 0.2), each = 3) + rnorm(15, 0, 0.15), 2)
d <- d[-c(4, 12), ]
d$treatment <- factor(d$treatment, levels = c("nothing", "water", "tea")); d$block <- factor(d$block)
m <- lm(y ~ block + treatment, d)
a <- as.data.frame(car::Anova(m, type = 2))
cf <- coef(summary(m)); df <- m$df.residual
g <- suppressWarnings(summary(glht(m, linfct = mcp(treatment = "Dunnett")), test = adjusted(abseps = 1e-8, maxpts = 5e6)))
out$missingBlocks <- list(rows = d, anova = lines(a, c("block", "treatment")), ms = sum(resid(m)^2) / df, df = df,
  dunnett = lapply(1:2, function(i) list(difference = num(coef(g)[i]), t = num(g$test$tstat[i]), p = num(g$test$pvalues[i]))),
  studentized = num(rstudent(m)))

# One-way, uneven: Tukey-Kramer, Dunnett, Kruskal-Wallis.
d <- data.frame(treatment = rep(c("nothing", "water", "tea", "extract"), c(5, 4, 6, 3)))
d$y <- round(8 + c(nothing = 0, water = 0.3, tea = 1.1, extract = 0.6)[d$treatment] + rnorm(18, 0, 0.6), 1)
d$treatment <- factor(d$treatment, levels = unique(d$treatment))
m <- aov(y ~ treatment, d); tk <- TukeyHSD(m)$treatment
g <- summary(glht(lm(y ~ treatment, d), linfct = mcp(treatment = "Dunnett")), test = adjusted(abseps = 1e-8, maxpts = 5e6))
gi <- confint(glht(lm(y ~ treatment, d), linfct = mcp(treatment = "Dunnett")), calpha = qmvt(0.95, df = 14, tail = "both.tails", corr = cov2cor(vcov(glht(lm(y ~ treatment, d), linfct = mcp(treatment = "Dunnett")))), abseps = 1e-8)$quantile)
kw <- kruskal.test(y ~ treatment, d)
out$oneWay <- list(rows = d, anova = lines(as.data.frame(car::Anova(lm(y ~ treatment, d), type = 2)), "treatment"),
  tukey = lapply(rownames(tk), function(r) list(pair = r, diff = num(tk[r, 1]), lower = num(tk[r, 2]), upper = num(tk[r, 3]), p = num(tk[r, 4]))),
  dunnett = lapply(1:3, function(i) list(diff = num(coef(g)[i]), p = num(g$test$pvalues[i]), lower = num(gi$confint[i, 2]), upper = num(gi$confint[i, 3]))),
  kruskal = list(statistic = num(kw$statistic), p = num(kw$p.value)))

# Factorial with uneven cells: marginal (type II) tests.
d <- data.frame(seaweed = rep(c("no", "yes"), c(11, 10)), fungus = c(rep("no", 6), rep("yes", 5), rep("no", 4), rep("yes", 6)))
d$y <- round(30 + 3 * (d$seaweed == "yes") + 0.5 * (d$fungus == "yes") - 1.5 * (d$seaweed == "yes" & d$fungus == "yes") + rnorm(21, 0, 1.5), 1)
m <- lm(y ~ seaweed * fungus, d)
out$unevenFactorial <- list(rows = d, anova = lines(as.data.frame(car::Anova(m, type = 2)), c("seaweed", "fungus", "seaweed:fungus")), rss = sum(resid(m)^2))

# Split plot: irrigation on whole plots, castings within.
d <- expand.grid(sub = c("s0", "s1", "s2"), whole = c("dry", "wet"), block = paste0("b", 1:4), stringsAsFactors = TRUE)
d$y <- round(10 + 1.2 * (d$whole == "wet") + c(0, 0.8, 1.3)[as.integer(d$sub)] + rep(rnorm(8, 0, 0.8), each = 3) + rnorm(24, 0, 0.4), 2)
s <- summary(aov(y ~ block + whole * sub + Error(block:whole), d))
wp <- as.data.frame(s[[1]][[1]]); sp <- as.data.frame(s[[2]][[1]]); rownames(wp) <- trimws(rownames(wp)); rownames(sp) <- trimws(rownames(sp))
out$splitPlot <- list(rows = d, whole = lines(wp, c("block", "whole")), wholeError = wp["Residuals", "Mean Sq"], within = lines(sp, c("sub", "whole:sub")), error = sp["Residuals", "Mean Sq"])

# Welch, Friedman with ties.
x <- c(8.1, 8.8, 9.4, 8.6, 9.0); y <- c(9.2, 10.9, 8.9, 11.4, 10.1, 9.8); w <- t.test(y, x)
out$welch <- list(control = x, treated = y, t = num(w$statistic), df = num(w$parameter), p = w$p.value, lower = w$conf.int[1], upper = w$conf.int[2])
f <- matrix(c(3, 2, 1, 4, 4, 2, 5, 3, 3, 4, 2, 2, 5, 4, 1), ncol = 3, byrow = TRUE); ft <- friedman.test(f)
out$friedman <- list(blocks = f, statistic = num(ft$statistic), p = ft$p.value)

# Germination in several trays, more unlike than coins: quasi-binomial, F test.
d <- data.frame(treatment = rep(c("plain", "tea", "char"), each = 4), up = c(30, 41, 36, 44, 44, 47, 40, 49, 22, 35, 18, 31), of = 50)
d$treatment <- factor(d$treatment, levels = c("plain", "tea", "char"))
m <- glm(cbind(up, of - up) ~ treatment, quasibinomial, d, control = list(epsilon = 1e-14)); an <- anova(m, test = "F")
out$trays <- list(rows = d, dispersion = summary(m)$dispersion, deviance = an$Deviance[2], f = an$F[2], p = an$`Pr(>F)`[2], shares = num(100 * predict(m, data.frame(treatment = levels(d$treatment)), type = "response")),
  se = num(100 * predict(m, data.frame(treatment = levels(d$treatment)), type = "response", se.fit = TRUE)$se.fit))

# Distributions.
out$nonCentralT <- lapply(list(c(2, 10, 1), c(-1, 5, 0.5), c(3.2, 4, 2.5), c(1.96, 200, 2.8), c(0.5, 2.5, -1)), function(z) list(t = z[1], df = z[2], delta = z[3], p = pt(z[1], z[2], z[3])))
out$nonCentralF <- lapply(list(c(3, 2, 12, 4), c(1.2, 5, 30, 10), c(0.4, 1, 8, 0.7), c(6, 3, 60, 25)), function(z) list(f = z[1], df1 = z[2], df2 = z[3], lambda = z[4], p = pf(z[1], z[2], z[3], z[4])))
out$tukey <- lapply(list(c(3, 3, 2), c(4.1, 6, 4), c(2.2, 2, 40), c(6.5, 10, 12), c(3.3, 20, Inf), c(1, 4, 7)), function(z) list(q = z[1], means = z[2], df = if (is.finite(z[3])) z[3] else 1e9, p = ptukey(z[1], z[2], z[3], lower.tail = FALSE)))
out$tukeyQuantiles <- lapply(list(c(3, 10), c(5, 20), c(8, 6)), function(z) list(means = z[1], df = z[2], q = qtukey(0.95, z[1], z[2])))
out$fisher <- lapply(list(c(10, 2, 3, 9), c(50, 0, 45, 5), c(7, 3, 7, 3), c(1, 30, 8, 24)), function(z) { f <- fisher.test(matrix(z, 2, byrow = TRUE)); list(table = z, p = f$p.value, odds = if (is.finite(f$estimate)) num(f$estimate) else NULL, lower = f$conf.int[1], upper = if (is.finite(f$conf.int[2])) f$conf.int[2] else NULL) })
out$power <- list(list(kind = "two-sample t", difference = 2, sd = 1.1, alpha = 0.01, power = 0.95, n = power.t.test(delta = 2, sd = 1.1, sig.level = 0.01, power = 0.95)$n),
  list(kind = "paired t", difference = 0.3, sd = 0.5, alpha = 0.05, power = 0.8, n = power.t.test(delta = 0.3, sd = 0.5, power = 0.8, type = "paired")$n))

# Meta-analysis with no and with much difference between sites, prediction intervals.
sites <- function(yi, vi) { r <- rma(yi, vi, method = "REML", test = "knha"); p <- predict(r); l <- rma(yi, vi, method = "DL"); pl <- predict(l)
  list(yi = yi, vi = vi, reml = list(estimate = num(r$b), se = r$se, lower = r$ci.lb, upper = r$ci.ub, tau2 = r$tau2, i2 = r$I2, q = r$QE, predictionLower = p$pi.lb, predictionUpper = p$pi.ub),
    dl = list(estimate = num(l$b), lower = l$ci.lb, upper = l$ci.ub, tau2 = l$tau2, predictionLower = pl$pi.lb, predictionUpper = pl$pi.ub)) }
out$meta <- list(sites(c(0.1, 0.12, 0.09, 0.11), c(0.01, 0.02, 0.015, 0.01)), sites(c(0.5, -0.1, 0.9, 0.2, 1.4), c(0.02, 0.03, 0.05, 0.01, 0.04)))
cat(toJSON(out, digits = 12, auto_unbox = TRUE, dataframe = "rows", null = "null"))
