import { languages } from '../money/format'
import { choice, needed, of, text, type ImportField } from './field'

/** Of a customer. */
export const customerFields: readonly ImportField[] = [
  needed(
    text('number', 40, 'customernumber', 'customerno', 'kundennummer', 'kundennr', 'numclient', 'no', 'id'),
  ),
  needed(text('name', 120, 'company', 'firma', 'kunde', 'customer', 'nom', 'raisonsociale')),
  text('group', 60, 'gruppe', 'groupe', 'category'),
  choice('language', languages, 'sprache', 'langue', 'lang'),
  of('currency', 'currency', 'waehrung', 'währung', 'devise'),
  needed(of('country', 'country', 'land', 'pays')),
  text('attention', 80, 'attn', 'zuhanden', 'contactperson'),
  text('street', 80, 'address', 'address1', 'strasse', 'straße', 'adresse', 'rue'),
  text('town', 80, 'city', 'address2', 'ort', 'ville', 'plzort'),
  text('region', 80, 'county', 'address3', 'state'),
  text('taxNumber', 40, 'vatnumber', 'vat', 'ustidnr', 'ustid', 'tva'),
  text('salesperson', 80, 'verkaeufer', 'verkäufer', 'vendeur'),
  of('number', 'termsDays', 'terms', 'days', 'zahlungsziel', 'delai'),
  text(
    'mandate',
    35,
    'mandatereference',
    'mandat',
    'mandatsreferenz',
    'lastschriftmandat',
    'sepamandate',
    'rum',
  ),
  of('email', 'email', 'mail', 'emailaddress', 'courriel'),
  text('contact', 80, 'contactname', 'ansprechpartner'),
]

/** Of an item. */
export const itemFields: readonly ImportField[] = [
  needed(text('code', 60, 'item', 'sku', 'artikel', 'artikelnummer', 'article', 'itemcode')),
  needed(text('name', 300, 'description', 'nameen')),
  text('nameDe', 300, 'bezeichnung', 'beschreibung'),
  text('nameFr', 300, 'designation', 'désignation'),
  text('unit', 20, 'einheit', 'unite', 'unité'),
  needed(of('number', 'price', 'unitprice', 'preis', 'prix', 'net')),
  needed(text('taxCode', 40, 'tax', 'vatcode', 'steuer', 'tva')),
  text('gtin', 14, 'ean', 'barcode', 'upc'),
  of('number', 'weight', 'kg', 'gewicht', 'poids'),
  text('size', 60, 'dimensions', 'groesse', 'größe', 'taille'),
  text('commodityCode', 20, 'hscode', 'cncode', 'warennummer', 'zolltarifnummer'),
  of('country', 'origin', 'madein', 'ursprung', 'ursprungsland', 'origine'),
  text('place', 60, 'bin', 'shelf', 'lagerplatz', 'emplacement'),
  text('options', 600, 'choices', 'variants', 'optionen', 'varianten'),
  text('category', 60, 'warengruppe', 'categorie', 'catégorie'),
]
